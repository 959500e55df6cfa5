import { Select } from '../../ui/Select.tsx';
import { useEffect, useState } from 'react';
import type { SearchProblem } from '#core/rack/problem.ts';
import type { WhyNot } from '#core/rack/search.ts';
import type { RackSpring } from '#core/rack/spring.ts';
import type { Obstacle } from '#core/rack/verdict.ts';
import { useDebounced } from '../../ui/useDebounced.ts';
import { obstacleWords, unusableWords } from './obstacleWords.ts';
import { askWhyNot } from './useSearch.ts';

interface Props {
  problem: SearchProblem;
  rack: RackSpring[];
}

/** Why a spring that somebody has in mind is not in the answers. */
export function WhyNotPanel({ problem, rack }: Props) {
  const [id, setId] = useState('');
  const asked = useDebounced(problem, 300);
  const [answer, setAnswer] = useState<{ of: string; why: WhyNot } | null>(null);
  useEffect(() => {
    if (!id) return;
    let wanted = true;
    void askWhyNot(asked, rack, id).then((why) => wanted && setAnswer({ of: id, why }));
    return () => {
      wanted = false;
    };
  }, [id, asked, rack]);
  const named = rack.find((one) => one.id === id);
  return (
    <div className="mt-2">
      <label className="flex flex-wrap items-center gap-3">
        <span className="font-semibold">Why not</span>
        <Select
          look="min-w-48"
          value={id}
          options={[
            { value: '', words: 'a spring of the rack …' },
            ...rack.map((spring) => ({ value: spring.id, words: spring.name })),
          ]}
          onChange={setId}
        />
      </label>
      {named && answer?.of === id && (
        <div className="mt-2" role="status">
          <Answer name={named.name} why={answer.why} />
        </div>
      )}
    </div>
  );
}

function Answer({ name, why }: { name: string; why: WhyNot }) {
  if (why.kind === 'unusable')
    return (
      <p>
        <b>{name}</b>: {unusableWords[why.why]}.
      </p>
    );
  if (why.kind === 'solid')
    return (
      <p>
        <b>{name}</b>: the load alone closes it, whatever stands beside it: its coils touch at rest.
      </p>
    );
  const most = (Object.entries(why.obstacles) as [Obstacle, number][])
    .sort(([, a], [, b]) => b - a)
    .slice(0, 3);
  return (
    <>
      <p>
        <b>{name}</b>{' '}
        {why.landed > 0
          ? `does it in ${why.landed} of the ${why.tried} combinations it can be in.`
          : `does it in none of the ${why.tried} combinations it can be in.`}
      </p>
      <ul className="text-second">
        {most.map(([obstacle, times]) => (
          <li key={obstacle}>
            {times} times: {obstacleWords[obstacle]}.
          </li>
        ))}
      </ul>
      {why.landed === 0 && why.nearest && (
        <p className="mt-1">
          Nearest: {why.nearest.upper && `${why.nearest.upper.name} on `}
          {why.nearest.lower.name}; {obstacleWords[why.nearest.obstacle]}.
        </p>
      )}
    </>
  );
}
