/** The workshop's springs: coils by inner diameter, free length and rate, a few tenders, one that was measured. */
const STEEL_G = 79300;

function coil(inner, free, rate, solidShare) {
  let wire = 10;
  // The wire makes the mean diameter: a few passes settle it.
  for (let i = 0; i < 40; i++) wire = ((8 * (inner + wire) ** 3 * rate * solidShare * free) / STEEL_G) ** 0.2;
  const wireMm = Math.round(wire * 10) / 10;
  const solid = Math.round(solidShare * free);
  return { wireMm, solid };
}

const series = [
  { inner: 60, frees: [150, 175, 200, 225, 250], rates: [30, 40, 50, 60, 70, 80, 90, 100, 120], share: 0.4 },
  { inner: 64, frees: [180, 210, 250, 300, 350, 400], rates: [16, 20, 24, 28, 32, 36, 40, 45, 50, 60], share: 0.36 },
  { inner: 52, frees: [140, 150, 160], rates: [60, 70, 80, 90, 100, 110], share: 0.38 },
  { inner: 32, frees: [260, 300], rates: [7, 8, 9, 10, 11], share: 0.5 },
]; // oxfmt-ignore

const blank = { rows: null, coils: null, maxN: null, tender: false, note: '' };
const idOf = (n) => `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`;

export function demoRack() {
  const coils = series.flatMap(({ inner, frees, rates, share }) =>
    frees.flatMap((free) =>
      rates.map((rate) => {
        const { wireMm, solid } = coil(inner, free, rate, share);
        const name = `${inner}-${free}-${String(rate).padStart(3, '0')}`;
        const stock = Math.floor(free / 10 + rate / 3) % 5;
        return {
          ...blank,
          name,
          rateNPerMm: rate,
          freeLengthMm: free,
          solidLengthMm: solid,
          wireMm,
          innerMm: inner,
          maxN: Math.round((rate * (free - solid) * 0.95) / 10) * 10,
          stock: stock === 4 ? 0 : stock,
        };
      }),
    ),
  );
  const tenders = [
    [60, 70, 4, 20],
    [64, 80, 6, 24],
    [64, 110, 9, 34],
  ].map(([inner, free, rate, solid]) => ({
    ...blank,
    name: `tender ${inner}-${free}`,
    rateNPerMm: rate,
    freeLengthMm: free,
    solidLengthMm: solid,
    wireMm: null,
    innerMm: inner,
    tender: true,
    stock: 4,
  }));
  const odd = [
    {
      ...blank,
      name: 'long pair, no label',
      rateNPerMm: null,
      freeLengthMm: 320,
      solidLengthMm: null,
      wireMm: 10.5,
      coils: 11.5,
      innerMm: 64,
      stock: 2,
      note: 'off the old harbour barrow; rate from its wire',
    },
    {
      ...blank,
      name: 'rising 60-220',
      rateNPerMm: null,
      rows: [
        [0, 0],
        [30, 1050],
        [60, 2300],
        [90, 3850],
        [110, 5100],
      ],
      freeLengthMm: 220,
      solidLengthMm: 95,
      wireMm: null,
      innerMm: 60,
      stock: 2,
      note: 'pressed in the shop',
    },
  ];
  const skid = [
    ['skid light', 900, 'pair', 2],
    ['skid middle', 1150, 'pair', 4],
    ['skid firm', 1450, 'pair', 2],
    ['skid firm, one left over', 1450, 'left', 1],
  ].map(([name, rateNMmPerDeg, side, stock]) => ({
    ...blank,
    name,
    rateNPerMm: null,
    freeLengthMm: null,
    solidLengthMm: null,
    wireMm: null,
    innerMm: null,
    torsion: { rateNMmPerDeg, legMm: null, side },
    stock,
    note: side === 'pair' ? 'left and right together' : '',
  }));
  return {
    springs: [...coils, ...tenders, ...odd, ...skid].map((spring, n) => ({ ...spring, id: idOf(n + 1) })),
  };
}
