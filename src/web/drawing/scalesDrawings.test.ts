import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { blankDocument } from '#core/document/create.ts';
import { InfluencePlan } from './InfluencePlan.tsx';
import { SideView } from './SideView.tsx';
import { sideProfile } from './sideProfile.ts';

const footprint = { ...blankDocument('car', 'Whinchat').machine, wheelbaseMm: 2600 };

describe('what one turn does, drawn', () => {
  const corners = [
    { id: 'LF' as const, heightMm: 2, height: '+2.0 mm', weight: '+4.0 kg' },
    { id: 'RF' as const, heightMm: 1, height: '+1.0 mm', weight: '−4.0 kg' },
    { id: 'LR' as const, heightMm: 0.5, height: '+0.5 mm', weight: '−4.0 kg' },
    { id: 'RR' as const, heightMm: -0.5, height: '−0.5 mm', weight: '+4.0 kg' },
  ];
  const drawn = renderToStaticMarkup(
    createElement(InfluencePlan, { footprint, seat: 'LF', title: 'front left', corners, mostMm: 2 }),
  );
  const arrows = [...drawn.matchAll(/data-arrow="(up|down)"><path d="M[\d.]+ ([\d.]+)V([\d.]+)"/g)].map(
    ([, way, from, to]) => ({
      way,
      long: Math.abs(Number(to) - Number(from)),
      up: Number(to) < Number(from),
    }),
  );

  test('an arrow at every wheel, up or down as its height goes, as long as its share of the most', () => {
    expect(arrows.map(({ way, up }) => [way, up])).toEqual([
      ['up', true],
      ['up', true],
      ['up', true],
      ['down', false],
    ]);
    const [full = 0, half = 0, quarter = 0] = arrows.map(({ long }) => long);
    expect(half / full).toBeCloseTo(0.5, 9);
    expect(quarter / full).toBeCloseTo(0.25, 9);
  });

  test('both numbers stand at every wheel, and all of it in words', () => {
    for (const { height, weight } of corners) {
      expect(drawn).toContain(`>${height}<`);
      expect(drawn).toContain(`>${weight}<`);
    }
    expect(drawn).toContain('aria-label="front left: LF +2.0 mm, +4.0 kg; RF +1.0 mm, −4.0 kg;');
  });

  test('only the wheel whose seat is turned is filled', () => {
    expect(drawn.match(/<rect[^>]*fill="var\(--action\)"/g)).toHaveLength(1);
  });
});

describe('the machine from the side', () => {
  const view = (edit: Partial<Parameters<typeof SideView>[0]> = {}) =>
    renderToStaticMarkup(
      createElement(SideView, {
        machineClass: 'car',
        wheelbaseMm: 2600,
        radiusMm: { front: 300, rear: 310 },
        before: { frontArchMm: 660, rearArchMm: 670 },
        after: { frontArchMm: 645, rearArchMm: 650 },
        points: [
          { name: 'sump', xMm: 800, beforeMm: 120, afterMm: 105, short: false },
          { name: 'lip', xMm: 1900, beforeMm: 130, afterMm: 90, short: true },
        ],
        approachDeg: 11.5,
        departureDeg: null,
        say: (mm: number) => `${mm.toFixed(0)} mm`,
        ...edit,
      }),
    );
  const top = (drawn: string, side: string) => {
    const path = new RegExp(`<path d="([^"]+)"[^>]*data-side="${side}"`).exec(drawn)?.[1] ?? '';
    return Math.min(...[...path.matchAll(/[ML]-?[\d.]+ (-?[\d.]+)/g)].map(([, y]) => Number(y)));
  };

  test('what comes down is drawn lower, what each end does stands in its wheel', () => {
    const drawn = view();
    expect(top(drawn, 'after')).toBeGreaterThan(top(drawn, 'before'));
    expect(drawn).toContain('−15 mm');
    expect(drawn).toContain('−20 mm');
    expect(view({ after: { frontArchMm: 690, rearArchMm: 670 } })).toContain('+30 mm');
  });

  test('low points stand with their height, a short one in its own tone', () => {
    const drawn = view();
    expect(drawn).toContain('sump 105 mm');
    expect(drawn.match(/<g fill="var\(--short\)"/g)).toHaveLength(1);
  });

  test('a ramp is drawn where there is one, from where its plane leaves the level', () => {
    const drawn = view();
    expect(drawn).toContain('11.5°');
    // R tan(a / 2) ahead of under the axle.
    const foot = -1300 - 300 * Math.tan((11.5 * Math.PI) / 360);
    expect(drawn).toContain(`d="M${foot} 0L`);
    expect(drawn.match(/°/g)).toHaveLength(1);
    expect(view({ approachDeg: 89 })).not.toContain('89.0');
  });

  test('every four-wheeled class has a closed profile with an arch over either axle', () => {
    for (const machineClass of ['car', 'truck', 'side-by-side'] as const) {
      const profile = sideProfile(machineClass, 2800);
      const edges = profile.body({ front: 330, rear: 340 });
      expect(edges[0]?.[0]).toBe('M');
      const arches = edges.flatMap((edge, k) => {
        const before = edges[k - 1];
        return edge[0] === 'A' && before ? [{ over: (edge[1] + before[1]) / 2, radius: edge[3] }] : [];
      });
      expect(arches).toEqual([
        { over: 1400, radius: 340 },
        { over: -1400, radius: 330 },
      ]);
      expect(profile.topMm).toBeGreaterThan(500);
    }
  });
});
