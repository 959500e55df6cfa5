import { rateOf, type RackSpring } from '#core/rack/spring.ts';

/** What the rack is narrowed by, as it stands in the address. */
export const filterKeys = ['find', 'inner', 'rate-from', 'rate-to', 'free-from', 'free-to', 'stock'] as const;
export type Asked = Partial<Record<(typeof filterKeys)[number], string>>;

/** A filter's number in the core's unit (mm, N/mm); null where nothing, or nothing that can be read, is asked. */
export function numberIn(asked: Asked, key: keyof Asked): number | null {
  const text = asked[key] ?? '';
  return text !== '' && Number.isFinite(Number(text)) ? Number(text) : null;
}

function isWithin(value: number | null, from: number | null, to: number | null): boolean {
  if (from === null && to === null) return true;
  return value !== null && value >= (from ?? -Infinity) && value <= (to ?? Infinity);
}

/** Whether a spring is like what is asked for; one whose figure is not known is not in any range of it. */
export function isLike(spring: RackSpring, asked: Asked): boolean {
  const words = (asked.find ?? '').toLowerCase().split(/\s+/).filter(Boolean);
  const text = `${spring.name} ${spring.note}`.toLowerCase();
  const inner = numberIn(asked, 'inner');
  return (
    words.every((word) => text.includes(word)) &&
    (inner === null || spring.innerMm === inner) &&
    isWithin(rateOf(spring)?.value ?? null, numberIn(asked, 'rate-from'), numberIn(asked, 'rate-to')) &&
    isWithin(spring.freeLengthMm, numberIn(asked, 'free-from'), numberIn(asked, 'free-to')) &&
    (asked.stock !== '1' || spring.stock > 0)
  );
}
