import { suspensionTitles } from '#words/suspension.ts';
import { gainGroups } from '#core/estimate/corner.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Plain } from '../../ui/Figure.tsx';
import { capital } from '../../ui/words.ts';

/** What the job's sheet says of how each axle is hung; nothing where it says nothing. */
export function SheetFigures() {
  const { document } = useThisJob().record;
  const said = gainGroups(document).flatMap((group) => {
    const { suspension, ratioFrom } = document.corners[group.id];
    return suspension === null ? [] : [{ ...group, suspension, ratioFrom }];
  });
  if (said.length === 0) return null;
  return (
    <p className="mt-3">
      <span className="label text-second">The sheet says:</span>{' '}
      {said.map(({ id, title, suspension, ratioFrom }) => {
        const [wheelMm, damperMm] = ratioFrom?.kind === 'table' ? (ratioFrom.rows.at(-1) ?? [0, 0]) : [0, 0];
        return (
          <span key={id}>
            {capital(title)}: {suspensionTitles[suspension]}
            {wheelMm > 0 && (
              <>
                , <Plain value={damperMm / wheelMm} decimals={2} /> mm of damper for 1 mm of wheel
              </>
            )}
            .{' '}
          </span>
        );
      })}
    </p>
  );
}
