import { rodWays } from '#core/stance/toe.ts';
import { useThisJob } from '../../jobStore/jobContext.ts';
import { Select } from '../../ui/Select.tsx';
import { capital } from '../../ui/words.ts';

/** Which way each tie rod is turned for so much more toe-in (less is negative), and what it is told from. */
export function RodWays({ changeMm }: { changeMm: number }) {
  const { document } = useThisJob().record;
  const { longer, left, right } = rodWays(document, changeMm);
  if (longer === null)
    return (
      <span className="label text-second block">Say where the tie rods are: then it says which way.</span>
    );
  return (
    <span className="block" data-testid="rod-ways">
      Both rods <b>{longer ? 'longer' : 'shorter'}</b>
      {(['left', 'right'] as const).map((side) => {
        const to = side === 'left' ? left : right;
        return (
          to && (
            <span key={side}>
              ; {side} rod: its top turns to the <b>{to}</b>
            </span>
          )
        );
      })}
      .
      {(left === null || right === null) && (
        <span className="label text-second"> With the hand of its thread it says which way to turn.</span>
      )}
    </span>
  );
}

/** Where the tie rods are, and the hand of their threads. */
export function RodFields() {
  return (
    <>
      <RodChoice name="rods" label="Tie rods" options={['ahead', 'behind']} after=" the axle" />
      <RodChoice name="threadLeft" label="Left rod’s thread" options={['right-hand', 'left-hand']} />
      <RodChoice name="threadRight" label="Right rod’s thread" options={['right-hand', 'left-hand']} />
    </>
  );
}

interface ChoiceProps {
  name: 'rods' | 'threadLeft' | 'threadRight';
  label: string;
  options: readonly string[];
  after?: string;
}

function RodChoice({ name, label, options, after = '' }: ChoiceProps) {
  const { record, actions } = useThisJob();
  return (
    <label className="min-w-0">
      <span className="label text-second block">{label}</span>
      <Select
        label={label}
        value={record.document.steering[name] ?? ''}
        options={[
          { value: '', words: 'not looked yet' },
          ...options.map((one) => ({
            value: one,
            words: name === 'rods' ? `${one}${one === 'ahead' ? ' of' : ''}${after}` : one,
          })),
        ]}
        onChange={(to) => actions.change(capital(label), [['steering', name], to || null])}
      />
    </label>
  );
}
