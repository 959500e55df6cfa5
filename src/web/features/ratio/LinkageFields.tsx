import { useSay } from '../../ui/settings.ts';
import { ratioMap } from '#core/geometry/ratioMap.ts';
import {
  linkagePlaces,
  linkageTable,
  type LinkageDescription,
  type LinkagePlace,
} from '#core/geometry/linkage.ts';
import { LinkageDrawing } from '../../drawing/LinkageDrawing.tsx';
import { NumberField } from '../../forms/NumberField.tsx';
import { Plain } from '../../ui/Figure.tsx';
import { exampleLinkage } from './ratioKind.ts';
import { placesSoFar, requiredParts, type Figures } from './ratioParts.ts';

interface Props {
  figures: Figures;
  /** What the example is drawn for, damper per wheel. */
  ratio: number;
  travelMm: number;
  draftKey: string;
  set: (key: string, mm: number | null) => void;
}

const PLACE = { min: -3000, max: 3000 };

const placeWords: Record<LinkagePlace, string> = {
  armPivot: 'Arm pivot',
  axle: 'Axle',
  linkOnArm: 'Link on arm',
  rockerPivot: 'Rocker pivot',
  linkOnRocker: 'Link on rocker',
  damperOnRocker: 'Damper on rocker',
  damperOnFrame: 'Damper on frame',
};

/** A swing arm, its link, rocker and damper by their places at full droop, drawn, with what ratio they come to. */
export function LinkageFields({ figures, ratio, travelMm, draftKey, set }: Props) {
  const value = placesSoFar(figures, exampleLinkage(ratio));
  const isWhole = requiredParts.linkage.every((key) => typeof figures[key] === 'number');
  return (
    <div className="mt-3">
      <div className="grid grid-cols-[minmax(0,1fr)_200px] items-start gap-x-4 max-sm:grid-cols-1">
        <table className="w-full">
          <thead className="label text-second text-left">
            <tr>
              <th className="font-normal">at full droop</th>
              <th className="font-normal">forward</th>
              <th className="pl-2 font-normal">up</th>
            </tr>
          </thead>
          <tbody>
            {linkagePlaces.map((name, k) => (
              <tr key={name} className="relative">
                <th scope="row" className="label pr-2 text-left font-normal">
                  {placeWords[name]}
                </th>
                {(['forward', 'up'] as const).map((along, axis) => (
                  <td key={along} className={axis === 1 ? 'pl-2' : ''}>
                    <NumberField
                      label={`${placeWords[name]}, ${along}`}
                      order={2 * k + axis}
                      draftKey={`${draftKey}.${name}.${axis}`}
                      quantity="size"
                      decimals={1}
                      narrow
                      showUnit={false}
                      range={PLACE}
                      value={figures[`${name}.${axis}`] ?? null}
                      onCommit={(mm) => mm !== null && set(`${name}.${axis}`, mm)}
                    />
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        <div>
          <LinkageDrawing linkage={value} />
          {isWhole ? (
            <Comes value={{ ...value, linkLongerMm: figures.linkLongerMm ?? 0 }} travelMm={travelMm} />
          ) : (
            <p className="label text-second mt-1">An example, until every place is typed.</p>
          )}
        </div>
      </div>
      <div className="relative mt-4">
        <NumberField
          className="w-44"
          label="Link longer by"
          showLabel
          order={20}
          draftKey={`${draftKey}.link`}
          quantity="size"
          decimals={1}
          range={{ min: -100, max: 100 }}
          value={figures.linkLongerMm ?? 0}
          onCommit={(mm) => set('linkLongerMm', mm ?? 0)}
        />
      </div>
      <p className="label text-second mt-2">
        Forward and up from any point of the frame. A longer link lowers the chassis, not the travel. Check
        tyre to fender at full bump, and lower the front by as much.
      </p>
    </div>
  );
}

/** What damper per wheel the places come to, or that they lock. */
function Comes({ value, travelMm }: { value: LinkageDescription; travelMm: number }) {
  const say = useSay(0);
  const rows = linkageTable(value, travelMm);
  const moves = rows.every(([, s], i) => i === 0 || s > (rows[i - 1]?.[1] ?? 0));
  if (!moves)
    return (
      <p role="alert" className="label text-short mt-1">
        These places lock or stretch the damper within {say(travelMm)} of travel: the one number counts until
        they move freely.
      </p>
    );
  const map = ratioMap({ kind: 'linkage', ...value }, travelMm);
  const at = (share: number) => {
    map.evaluate(share * travelMm);
    return <Plain value={map.slope} decimals={3} />;
  };
  return (
    <p className="label text-second mt-1" data-testid="linkage-ratio">
      Damper per wheel {at(0)} at droop, {at(0.5)} in the middle, {at(1)} at full bump.
    </p>
  );
}
