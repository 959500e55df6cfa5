import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { adjusterKinds } from '#core/kinds/adjusters/index.ts';
import { blankDocument } from '#core/document/create.ts';
import { sectionAt } from '#core/lab/section.ts';
import { benchOf, plainSetup, type LabSetup } from '#core/lab/setup.ts';
import { cornersOf } from '#core/kinds/classes/index.ts';
import type { CornerId } from '#core/kinds/corners.ts';
import { machineClasses } from '#core/kinds/classes/index.ts';
import { FittingPicture } from './FittingPicture.tsx';
import { LinkageDrawing } from './LinkageDrawing.tsx';
import { MachinePlan } from './MachinePlan.tsx';
import { Bands, Marks } from './RuleParts.tsx';
import { ruleFrame } from './ruleFrame.ts';
import { StackSection } from './StackSection.tsx';
import type { TravelRuleData } from './travelRule.ts';

const count = (drawn: string, what: RegExp) => [...drawn.matchAll(what)].length;

describe('the machine from above', () => {
  const plan = (moves: Partial<Record<CornerId, number | null>>, lying = false) =>
    renderToStaticMarkup(
      createElement(MachinePlan, { footprint: blankDocument('car', 'Dunnock').machine, moves, lying }),
    );

  test('an arrow where something is moved, the way it goes; none for what stays within a quarter millimetre', () => {
    const drawn = plan({ LF: 4, RF: -3, LR: 0.1, RR: null });
    expect(drawn.match(/data-move="(up|down)"/g)).toEqual(['data-move="up"', 'data-move="down"']);
  });

  test('lying in a list wheels are filled in place of arrows', () => {
    const drawn = plan({ LF: 4, RF: -3 }, true);
    expect(count(drawn, /data-move/g)).toBe(0);
    expect(count(drawn, /<rect[^>]*fill="var\(--action\)"/g)).toBe(2);
  });

  test('every class stands on as many feet as it has', () => {
    for (const machineClass of machineClasses) {
      const { machine } = blankDocument(machineClass, 'x');
      const drawn = renderToStaticMarkup(createElement(MachinePlan, { footprint: machine, moves: {} }));
      expect({ machineClass, feet: count(drawn, /<rect/g) }).toEqual({
        machineClass,
        feet: cornersOf(machineClass).length,
      });
      expect(drawn).toContain('from above"');
      expect(drawn).not.toContain('NaN');
    }
  });
});

describe('a travel rule', () => {
  const data: TravelRuleData = {
    travelMm: 200,
    stopMm: 40,
    nowMm: 80,
    targetMm: 100,
    afterMm: 98,
    bandMm: 6,
    toleranceMm: 5,
    window: { fromMm: 60, toMm: 110 },
    zeroAssumed: false,
  };
  const frame = ruleFrame(200, 'left');
  const draw = (edit: Partial<TravelRuleData> = {}) => {
    const props = { data: { ...data, ...edit }, frame };
    return renderToStaticMarkup(
      createElement('svg', null, createElement(Bands, props), createElement(Marks, props)),
    );
  };

  test('marks stand where the travel says, tolerance and band as high as they are wide', () => {
    const drawn = draw();
    expect(drawn).toContain(`translateY(${frame.y(80)}px)`);
    expect(drawn).toContain(`translateY(${frame.y(100)}px)`);
    const heights = [...drawn.matchAll(/<rect[^>]*height="([\d.]+)"/g)].map(([, mm]) => Number(mm));
    const perMm = (frame.y(0) - frame.y(200)) / 200;
    expect(heights[0]).toBeCloseTo(10 * perMm, 6);
    expect(heights[1]).toBeCloseTo(12 * perMm, 6);
  });

  test('up on the page is into bump, and what is not known is not drawn', () => {
    expect(frame.y(150)).toBeLessThan(frame.y(50));
    const bare = draw({ nowMm: null, targetMm: null, afterMm: null, window: null });
    expect(count(bare, /data-mark|<rect/g)).toBe(0);
  });
});

describe('a damper cut open', () => {
  const dual: LabSetup = {
    ...plainSetup,
    springs: [60, 40].map((rateNPerMm, k) => ({
      name: `coil ${k + 1}`,
      kind: 'linear',
      rateNPerMm,
      rows: null,
      freeLengthMm: 200,
      solidLengthMm: 70,
      tender: false,
    })),
    rings: [{ after: 0, limitMm: 50, on: 'body' }],
  };
  const draw = (travelMm: number, edit: Partial<Parameters<typeof StackSection>[0]> = {}) => {
    const bench = benchOf(dual);
    if (!bench.ok) throw new Error('expected a sound setup');
    const section = sectionAt(bench.value, travelMm);
    const drawn = renderToStaticMarkup(
      createElement(StackSection, {
        name: 'front left',
        section,
        height: 320,
        width: 220,
        say: (mm: number) => `${mm.toFixed(0)} mm`,
        collarMm: 84,
        seat: { label: 'Seat, front left', words: '84 mm', value: 84, onMove: () => undefined },
        rings: [null],
        snapMm: 0.25,
        ...edit,
      }),
    );
    return { drawn, section };
  };

  test('it is to scale: its height on the page is what it reaches in the whole travel', () => {
    const { drawn, section } = draw(60);
    const [, view] = /viewBox="([^"]+)"/.exec(drawn) ?? [];
    const [, top = 0, , tall = 0] = (view ?? '').split(' ').map(Number);
    expect(top).toBe(section.fromMm);
    expect(tall).toBeGreaterThanOrEqual(section.toMm - section.fromMm - 1e-6);
  });

  test('what can be moved is a slider with its figure in words; what cannot is none', () => {
    expect(draw(60).drawn).toMatch(/role="slider"[^>]*aria-label="Seat, front left"/);
    expect(draw(60).drawn).toContain('aria-valuetext="84 mm"');
    expect(count(draw(60, { seat: null }).drawn, /role="slider"/g)).toBe(0);
  });

  test('deeper in the travel the perch comes up and the gap to the ring closes', () => {
    const [high, deep] = [draw(20).section, draw(120).section];
    expect(deep.perchMm).toBeLessThan(high.perchMm);
    expect(deep.rings[0]?.gapMm).toBeLessThan(high.rings[0]?.gapMm ?? 0);
    expect(draw(120).drawn).not.toContain('NaN');
  });
});

test('each adjuster has a picture of its own', () => {
  const pictures = adjusterKinds.map((kind) => renderToStaticMarkup(createElement(FittingPicture, { kind })));
  expect(new Set(pictures).size).toBe(pictures.length);
  pictures.forEach((one) => expect(one).toMatch(/<svg[^>]*>.*<path|<svg[^>]*>.*<circle|<svg[^>]*>.*<rect/s));
});

test('a linkage is drawn to scale: what is twice as far apart is twice as far apart', () => {
  const drawn = renderToStaticMarkup(
    createElement(LinkageDrawing, {
      linkage: {
        armPivot: [0, 0],
        axle: [-560, -60],
        linkOnArm: [-120, -30],
        rockerPivot: [-60, -110],
        linkOnRocker: [-140, -120],
        damperOnRocker: [-80, -60],
        damperOnFrame: [-60, 220],
        linkLongerMm: 0,
      },
    }),
  );
  const lines = [...drawn.matchAll(/points="([^"]+)"/g)].map(([, points]) =>
    (points ?? '').split(' ').map((pair) => pair.split(',').map(Number)),
  );
  const long = (line: number[][] | undefined) =>
    Math.hypot((line?.[1]?.[0] ?? 0) - (line?.[0]?.[0] ?? 0), (line?.[1]?.[1] ?? 0) - (line?.[0]?.[1] ?? 0));
  // The arm, then pivot to link.
  expect(long(lines[0]) / long(lines[1])).toBeCloseTo(Math.hypot(560, 60) / Math.hypot(120, 30), 6);
});
