/**
 * The demo world: Slipway Two, a two-bay shop in a harbour town. Jobs carry the names of their owners' boats; every
 * make, model and figure is invented. `describe` fills the document, `tell` what was seen and done, in mm.
 */
const perCorner = (document, edit) =>
  Object.entries(document.corners).forEach(([id, corner]) =>
    edit(corner, id.endsWith('F') ? 'front' : 'rear'),
  );

const coil = (name, rateNPerMm, freeLengthMm, solidLengthMm) => ({
  name,
  kind: 'linear',
  rateNPerMm,
  rows: null,
  freeLengthMm,
  solidLengthMm,
  tender: false,
});

const collar = (datum, grows, minMm, maxMm) => ({ datum, grows, minMm, maxMm });

export const demoJobs = [
  {
    file: '1-dunlin',
    start: '2026-11-20T08:10:00Z',
    describe: (blank) => {
      const document = blank('truck', 'Dunlin');
      document.machine = {
        ...document.machine,
        title: 'Tarnhew Drover, coil-overs all round',
        wheelbaseMm: 3240,
        trackFrontMm: 1620,
        trackRearMm: 1610,
        massKg: 2240,
        frontShare: 0.55,
      };
      document.cases = ['as measured', 'as specified', 'loaded for a week'];
      document.loads = [
        { name: 'boat gear in the bed', kg: 190, xMm: -1450, yMm: 0, aboard: [false, false, true] },
      ];
      document.load = 'canopy, empty';
      document.note = 'Owner wants 45 mm over standard on the springs that are fitted.';
      perCorner(document, (corner, axle) => {
        corner.reference = { kind: 'hub-arch', offsetMm: 0 };
        Object.assign(corner, {
          targetMm: axle === 'front' ? 590 : 612,
          ratio: axle === 'front' ? 0.58 : 0.86,
          pitchMm: 2.54,
          travelMm: axle === 'front' ? 222 : 244,
          stopMm: 48,
          springs: [axle === 'front' ? coil('105 front', 105, 350, 160) : coil('44 rear', 44, 440, 160)],
          preloadMm: axle === 'front' ? 34 : 26,
        });
        corner.collar =
          axle === 'front'
            ? collar('top of body', 'with-seat', 38, 72)
            : collar('top of body', 'with-seat', 40, 96);
      });
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed }) => {
      settle(0, 'rolled and bounced');
      heights(0, [546, 549, 571, 572], [547, 548, 572, 571]);
      collars(0, [54.5, 54, 52, 52.5]);
      travelUsed(0, [96, 93, 104, 103]);
    },
  },
  {
    file: '2-saltmarsh-lady',
    start: '2026-11-19T13:00:00Z',
    describe: (blank) => {
      const document = blank('car', 'Saltmarsh Lady');
      document.machine = {
        ...document.machine,
        title: 'Ostrel Marram GT, track days',
        wheelbaseMm: 2465,
        trackFrontMm: 1475,
        trackRearMm: 1490,
        massKg: 1085,
      };
      document.bars.front = { rateNPerMm: 14, hooked: false };
      document.load = 'driver, 20 l of fuel';
      document.toleranceMm = 3;
      perCorner(document, (corner, axle) => {
        corner.reference = { kind: 'hub-arch', offsetMm: 0 };
        Object.assign(corner, {
          targetMm: axle === 'front' ? 338 : 342,
          ratio: axle === 'front' ? 0.94 : 0.71,
          pitchMm: 2,
          travelMm: axle === 'front' ? 138 : 146,
          stopMm: 30,
          springs: [axle === 'front' ? coil('32 front', 32, 230, 78) : coil('50 rear', 50, 200, 82)],
          preloadMm: 22,
        });
        corner.collar = collar('lock ring shoulder', 'against-seat', 12, 88);
      });
      Object.entries({ LF: 272, RF: 268, LR: 275, RR: 270 }).forEach(
        ([id, kg]) => (document.corners[id].loadKg = kg),
      );
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed, tell, turn }) => {
      settle(0, 'rolled and bounced');
      heights(0, [353, 351, 362, 360], [352, 352, 361, 361], [353, 351, 362, 360]);
      collars(0, [31, 32.5, 28, 28.5]);
      travelUsed(0, [58, 59, 61, 62]);
      tell();
      turn(1, ['LF', 'RF', 'LR', 'RR']);
      settle(1, 'rolled and driven');
      heights(1, [339, 338, 346, 344], [339, 337, 346, 345]);
    },
  },
  {
    file: '3-curlew',
    start: '2026-11-21T09:30:00Z',
    describe: (blank) => {
      const document = blank('side-by-side', 'Curlew');
      document.machine = {
        ...document.machine,
        title: 'Skirlaw Bracken 4, long travel',
        wheelbaseMm: 2980,
        trackFrontMm: 1630,
        trackRearMm: 1610,
        massKg: 960,
        frontShare: 0.44,
      };
      document.load = 'driver, passenger, day kit';
      document.toleranceMm = 6;
      perCorner(document, (corner, axle) => {
        corner.reference = { kind: 'ground-chassis', offsetMm: 0 };
        Object.assign(corner, {
          targetMm: 381,
          ratio: axle === 'front' ? 0.5 : 0.62,
          pitchMm: 2.5,
          travelMm: axle === 'front' ? 440 : 452,
          stopMm: 52,
          springs:
            axle === 'front'
              ? [coil('upper', 45, 260, 90), coil('main', 70, 360, 130)]
              : [coil('upper', 48, 280, 95), coil('main', 80, 410, 150)],
          rings: [{ after: 0, limitMm: axle === 'front' ? 63 : 86, on: 'body' }],
          preloadMm: axle === 'front' ? 40 : 22,
        });
        corner.collar = collar('top cap', 'with-seat', 70, 160);
      });
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed, tell, turn }) => {
      settle(0, 'rolled and bounced');
      heights(0, [361.95, 366.7, 374.65, 379.4], [360.4, 366.7, 373.1, 379.4]);
      collars(0, [104, 103, 98.5, 97]);
      travelUsed(0, [176, 171, 168, 164]);
      tell();
      turn(1, ['LF', 'RF']);
    },
  },
];
