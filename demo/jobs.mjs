/**
 * The demo world: Slipway Two, a two-bay shop in a harbour town. Jobs carry the names of their owners' boats; every
 * make, model and figure is invented. `describe` fills the document, `tell` what was seen and done, in mm.
 */
const perCorner = (document, edit) =>
  Object.entries(document.corners).forEach(([id, corner]) =>
    edit(corner, id.endsWith('F') ? 'front' : 'rear'),
  );

/** A shop's own number for a machine that comes back. */
const machineId = (n) => `00000000-0000-4000-9000-${String(n).padStart(12, '0')}`;

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
      document.toleranceMm = 8;
      document.load = 'canopy, empty';
      document.note = 'Owner wants 45 mm over standard on the springs that are fitted.';
      perCorner(document, (corner, axle) => {
        corner.reference = { kind: 'hub-arch', offsetMm: 0, aheadMm: 0 };
        if (axle === 'front') corner.boots = [{ name: 'outer joint', nowDeg: 9, mostDeg: 16, shaftMm: 520 }];
        else
          corner.clearances = [
            { name: 'axle to frame', nowMm: 172, perMm: 1, leastMm: 120, atMm: null, rows: null },
          ];
        Object.assign(corner, {
          targetMm: axle === 'front' ? 590 : 612,
          ratio: axle === 'front' ? 0.58 : 0.86,
          pitchMm: 2.54,
          travelMm: axle === 'front' ? 222 : 244,
          stopMm: 48,
          springs: [axle === 'front' ? coil('105 front', 105, 350, 160) : coil('44 rear', 44, 440, 160)],
          preloadMm: axle === 'front' ? 34 : 26,
        });
        corner.collarAt = 'above';
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
      document.bars.front = { rateNPerMm: 14, hooked: false, linkMm: 118, linkPerWheel: 0.62 };
      document.load = 'driver, 20 l of fuel';
      document.toleranceMm = 3;
      document.crossTarget = 0.5;
      document.hardEnd = 'rear';
      document.stance = {
        tyreMm: { front: 602, rear: 611 },
        nextTyreMm: { front: null, rear: null },
        points: [
          { name: 'sump', xMm: 780, yMm: 0, nowMm: 118, leastMm: 80 },
          { name: 'exhaust', xMm: -620, yMm: -240, nowMm: 124, leastMm: 85 },
          { name: 'splitter', xMm: 1960, yMm: 0, nowMm: 142, leastMm: 110 },
          { name: 'tail', xMm: -1880, yMm: 0, nowMm: 236, leastMm: null },
        ],
      };
      perCorner(document, (corner, axle) => {
        corner.reference = { kind: 'hub-arch', offsetMm: 0, aheadMm: 0 };
        Object.assign(corner, {
          targetMm: axle === 'front' ? 338 : 342,
          ratio: axle === 'front' ? 0.94 : 0.71,
          pitchMm: 2,
          travelMm: axle === 'front' ? 138 : 146,
          stopMm: 30,
          springs: [axle === 'front' ? coil('32 front', 32, 230, 78) : coil('50 rear', 50, 200, 82)],
          preloadMm: 22,
        });
        corner.collarAt = 'below';
        corner.collar = collar('lock ring shoulder', 'against-seat', 12, 88);
        corner.camberPerMm = axle === 'front' ? -0.021 : -0.016;
        corner.clearances = [
          {
            name: 'tyre to arch',
            nowMm: axle === 'front' ? 52 : 57,
            perMm: 0.55,
            leastMm: 25,
            atMm: null,
            rows: null,
          },
        ];
      });
      document.corners.LF.clearances.push({
        name: 'coil to arm',
        nowMm: 9,
        perMm: 0.08,
        leastMm: 5,
        atMm: 352,
        rows: null,
      });
      document.steering.toePerMm = -0.03;
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed, pads, camber, toe, link, fuel, cycled, tell, turn }) => {
      settle(0, 'rolled and bounced');
      heights(0, [353, 351, 362, 360], [352, 352, 361, 361], [353, 351, 362, 360]);
      collars(0, [31, 32.5, 28, 28.5]);
      travelUsed(0, [58, 59, 61, 62]);
      pads(0, [279, 262, 266.5, 278], [278.5, 262.5, 267, 277.5]);
      fuel(0, 20);
      camber(0, [-2.1, -2, -1.6, -1.6]);
      toe(0, 1621, 1620);
      tell();
      turn(1, ['LF', 'RF', 'LR', 'RR']);
      settle(1, 'rolled and driven');
      heights(1, [339, 338, 346, 344], [339, 337, 346, 345]);
      pads(1, [272.5, 268.5, 270, 274], [273, 268, 270.5, 274.5]);
      fuel(1, 18);
      camber(1, [-2.4, -2.3, -1.9, -1.8]);
      toe(1, 1621.5, 1620);
      link(1, 'RF', 4);
      cycled(1, 'LF', 'bump', 6);
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
        corner.reference = { kind: 'ground-chassis', offsetMm: 0, aheadMm: 0 };
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
          rings: [{ after: 0, limitMm: axle === 'front' ? 63 : 86, on: 'body', gapMm: null }],
          preloadMm: axle === 'front' ? 40 : 22,
        });
        corner.collarAt = 'above';
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
  {
    file: '4-kittiwake',
    start: '2026-11-22T10:00:00Z',
    describe: (blank) => {
      const document = blank('snowmobile', 'Kittiwake');
      Object.assign(document.machine, {
        title: 'Fellmark Rime 137',
        wheelbaseMm: 1540,
        massKg: 318,
        frontShare: 0.36,
      });
      document.cases = ['rider on', 'rider on, as specified', 'two up'];
      document.loads = [{ name: 'passenger', kg: 68, xMm: -620, yMm: 0, aboard: [false, false, true] }];
      document.load = 'rider in full gear, half a tank';
      document.equalSides = true;
      document.skid = { blockPositions: 4, strapHoles: 5 };
      document.note = 'Rear sags too much for the owner; the cam has been where it is since new.';
      const { LS, RS, FA, RA } = document.corners;
      for (const ski of [LS, RS])
        Object.assign(ski, {
          ratio: 0.66,
          travelMm: 242,
          fitting: 'air',
          air: { gaugeBar: 4.2, volumeCm3: 210, areaMm2: 1020, exponent: 1.1, second: null },
          sagMm: 36,
          sagWindow: { fromMm: 30, toMm: 42 },
        });
      Object.assign(FA, {
        reference: { kind: 'shaft', offsetMm: 0, aheadMm: 0 },
        ratio: 0.62,
        travelMm: 210,
        pitchMm: 2,
        springs: [coil('44 arm', 44, 240, 80)],
        preloadMm: 12,
      });
      FA.collar = collar('top of body', 'with-seat', 22, 54);
      Object.assign(RA, {
        ratio: 0.52,
        travelMm: 332,
        fitting: 'cam',
        torsion: {
          rateNMmPerDeg: 1750,
          count: 2,
          leverMm: 118,
          camDegrees: [22, 32, 42, 52],
          mostDegrees: null,
          halves: false,
        },
        cam: 0,
        sagMm: 64,
        sagWindow: { fromMm: 50, toMm: 75 },
      });
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed }) => {
      settle(0, 'rolled and bounced');
      heights(0, [121, 122, 98, 604], [121, 121, 97, 606]);
      collars(0, [null, null, 31, null]);
      travelUsed(0, [44, 43, 62, 96]);
    },
  },
  {
    file: '5-merganser',
    start: '2026-11-22T14:20:00Z',
    describe: (blank) => {
      const document = blank('motorcycle', 'Merganser');
      Object.assign(document.machine, {
        title: 'Corvane Strand 750',
        wheelbaseMm: 1428,
        massKg: 296,
        frontShare: 0.47,
      });
      document.cases = ['rider on', 'rider on, as specified', 'luggage for a week'];
      document.loads = [{ name: 'luggage', kg: 24, xMm: -780, yMm: 0, aboard: [false, false, true] }];
      document.load = 'rider in leathers, full tank';
      const { FW, RW } = document.corners;
      Object.assign(FW, {
        ratio: 1,
        travelMm: 122,
        pitchMm: 1,
        springs: [coil('fork, both legs', 18.4, 320, 150)],
        preloadMm: 14,
        sagMm: 36,
        sagWindow: { fromMm: 30, toMm: 40 },
      });
      FW.collar = collar('cap nut face', 'with-seat', 2, 17);
      Object.assign(RW, {
        ratioFrom: {
          kind: 'table',
          rows: [
            [0, 0],
            [30, 13.2],
            [60, 27.2],
            [90, 42],
            [120, 57.7],
            [132, 64.2],
          ],
        },
        travelMm: 132,
        pitchMm: 1.5,
        springs: [coil('95 shock', 95, 182, 92)],
        preloadMm: 11,
        sagMm: 36,
        sagWindow: { fromMm: 30, toMm: 40 },
      });
      RW.collar = collar('top of body', 'with-seat', 8, 26);
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed, tell, turn }) => {
      settle(0, 'bounced');
      heights(0, [78, 561], [77, 562], [78, 560]);
      collars(0, [6, 13.5]);
      travelUsed(0, [43, 44]);
      tell();
      turn(1, ['FW', 'RW']);
    },
  },
  {
    file: '6-whimbrel',
    start: '2026-11-23T08:30:00Z',
    describe: (blank) => {
      const document = blank('scooter', 'Whimbrel');
      Object.assign(document.machine, { title: 'Pallister Quay 125', massKg: 214, frontShare: 0.37 });
      document.load = 'rider in work clothes';
      document.note =
        'Bottoms on the slipway cobbles. The rear preload ring has five notches and stands in the fourth.';
      const { FW, RW } = document.corners;
      Object.assign(FW, {
        travelMm: 84,
        fitting: 'fixed',
        adjustable: false,
        sagWindow: { fromMm: 16, toMm: 26 },
      });
      Object.assign(RW, {
        ratio: 0.88,
        travelMm: 78,
        fitting: 'grooves',
        stepMm: 2.5,
        springs: [coil('22 shock', 22, 228, 108)],
        preloadMm: 17,
        sagMm: 20,
        sagWindow: { fromMm: 16, toMm: 24 },
      });
      RW.collar = collar('first notch', 'with-seat', 0, 10);
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed }) => {
      settle(0, 'bounced');
      heights(0, [61, 402], [61, 401]);
      collars(0, [null, 7.5]);
      travelUsed(0, [23, 41]);
    },
  },
  {
    file: '7-turnstone',
    start: '2026-11-17T09:10:00Z',
    describe: (blank) => {
      const document = blank('car', 'Turnstone');
      Object.assign(document.machine, {
        id: machineId(7),
        title: 'Hallam Skerry estate',
        wheelbaseMm: 2710,
        trackFrontMm: 1540,
        trackRearMm: 1535,
        massKg: 1490,
        frontShare: 0.56,
      });
      document.load = 'empty, half a tank';
      document.settlingMm = 2;
      document.note = 'The left rear spring was tired: both rears are new, both fronts as they were.';
      perCorner(document, (corner, axle) => {
        Object.assign(corner, {
          targetMm: axle === 'front' ? 358 : 362,
          ratio: axle === 'front' ? 0.96 : 0.82,
          pitchMm: 2,
          travelMm: axle === 'front' ? 158 : 172,
          springs: [axle === 'front' ? coil('40 front', 40, 310, 100) : coil('46 rear', 46, 300, 104)],
          preloadMm: axle === 'front' ? 20 : 24,
          fitting: axle === 'front' ? 'mount' : 'seat',
          mount:
            axle === 'front' ? { pitchMm: 2, threadMm: 14, engagedMm: 41, leastMm: null, mostMm: 62 } : null,
        });
        corner.collar = collar('top of body', 'with-seat', 30, 78);
      });
      return document;
    },
    tell: ({ settle, heights, collars, travelUsed, tell, turn, recheck, lock }) => {
      settle(0, 'rolled and driven');
      heights(0, [369, 368, 349, 352], [368, 368, 350, 352]);
      collars(0, [51, 51.5, 44, 44]);
      travelUsed(0, [68, 69, 74, 72]);
      tell();
      turn(1, ['LF', 'RF', 'LR', 'RR']);
      settle(1, 'rolled and driven');
      heights(1, [360, 360, 364, 363], [359, 360, 363, 364]);
      recheck(300, '2026-12-04');
      lock(1);
    },
  },
  {
    // Loaded first, so that it stands last among those being worked on.
    file: '0-shoveler',
    start: '2026-11-23T10:40:00Z',
    describe: (blank) => {
      const document = blank('dual-purpose', 'Shoveler');
      Object.assign(document.machine, {
        title: 'Aldersyke Fell 450',
        wheelbaseMm: 1486,
        massKg: 152,
        frontShare: 0.47,
        tankL: 9,
      });
      document.cases = ['rider on', 'as ridden'];
      const rider = (key, name, kg, luggageKg) => ({
        ...{ key, name, kg, gearKg: 9, rearShare: null, passengerKg: 0, luggageKg },
      });
      document.riders = [
        rider('r1', 'new owner', 92, 0),
        rider('r2', 'with tent and tools', 92, 19),
        rider('r3', 'the owner before', 71, 0),
      ];
      document.sagRead = { gear: true, luggage: true, fuel: 0.5 };
      document.load = 'rider in full gear, half a tank';
      document.note = 'New owner is 20 kg heavier than the last. Sag half read: the strap came at noon.';
      const { FW, RW } = document.corners;
      Object.assign(FW, {
        ratio: 1,
        travelMm: 288,
        pitchMm: 1.25,
        springs: [coil('fork, both legs', 9.4, 495, 190)],
        preloadMm: 10,
        sagMm: 90,
        sagWindow: { fromMm: 80, toMm: 100 },
        staticWindow: { fromMm: 30, toMm: 50 },
      });
      FW.collar = collar('cap nut face', 'with-seat', 0, 15);
      Object.assign(RW, {
        ratio: 0.4,
        travelMm: 297,
        pitchMm: 1.5,
        springs: [coil('52 shock', 52, 260, 112)],
        preloadMm: 8,
        sagMm: 98,
        sagWindow: { fromMm: 92, toMm: 106 },
        staticWindow: { fromMm: 25, toMm: 40 },
      });
      RW.collar = collar('top of body', 'with-seat', 4, 30);
      return document;
    },
    tell: ({ seeTo, settle, collars, sag }) => {
      seeTo('pressures', 'floor', 'load', 'straight');
      settle(0, 'pressed, lifted');
      collars(0, [6, 13]);
      sag(0, 'extended', [300, 640], [301, 640]);
      sag(0, 'alone-press', [248, 581]);
      sag(0, 'alone-lift', [259, 590]);
      sag(0, 'r1-press', [208, 515], [209, 514]);
      sag(0, 'r1-lift', [null, 526]);
    },
  },
];
