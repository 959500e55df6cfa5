/** @jest-environment jsdom */
import { lockWhereSilent, shutOut, standingBy, takeDoor, useDoor } from './door.ts';

const NOW = Date.parse('2026-11-29T10:00:00Z');
const DAY = 86_400_000;
const device = {
  id: 'a',
  name: 'Lift two',
  technician: '',
  by: 'digits' as const,
  createdAt: '',
  seenAt: '',
};

test.each([
  ['nothing was ever heard', null, 'unknown'],
  ['this computer alone is served', { mode: 'open' as const, device: null, at: NOW - 90 * DAY }, 'open'],
  ['it was shut out', { mode: 'shop' as const, device: null, at: NOW }, 'out'],
  ['it was in yesterday', { mode: 'shop' as const, device, at: NOW - DAY }, 'in'],
  ['it was in six days ago', { mode: 'shop' as const, device, at: NOW - 6 * DAY }, 'in'],
  ['it was in eight days ago', { mode: 'shop' as const, device, at: NOW - 8 * DAY }, 'locked'],
  ['its clock was set back', { mode: 'shop' as const, device, at: NOW + 8 * DAY }, 'locked'],
])('before the server is heard, where %s', (_when, kept, standing) => {
  expect(standingBy(kept, NOW)).toBe(standing);
});

test('a page that is never closed locks after a week of silence, and opens when the server answers', () => {
  takeDoor({ mode: 'shop', device, ready: true });
  lockWhereSilent(Date.now() + 6 * DAY);
  expect(useDoor.getState().standing).toBe('in');
  lockWhereSilent(Date.now() + 8 * DAY);
  expect(useDoor.getState().standing).toBe('locked');
  takeDoor({ mode: 'shop', device, ready: true });
  expect(useDoor.getState().standing).toBe('in');
});

test('what the server says of the door is what holds, and is remembered', () => {
  takeDoor({ mode: 'shop', device, ready: true });
  expect(useDoor.getState()).toMatchObject({ standing: 'in', device: { name: 'Lift two' } });
  shutOut();
  expect(useDoor.getState()).toMatchObject({ standing: 'out', device: null });
  expect(JSON.parse(localStorage.getItem('margin-door') ?? '{}')).toMatchObject({ device: null });
  takeDoor({ mode: 'open', device: null, ready: true });
  expect(useDoor.getState().standing).toBe('open');
});
