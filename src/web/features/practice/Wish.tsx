import { Fragment } from 'react';
import type { Practice } from '#contract/practice.ts';
import { SizeLength, Length } from '../../ui/Figure.tsx';
import { wishes } from './wishes.ts';

/** What its customer wants, in plain words. */
export function Wish({ practice }: { practice: Practice }) {
  const { targets, toleranceMm } = practice;
  const wanted = wishes(targets);
  return (
    <blockquote className="border-action bg-wash/40 mt-3 max-w-[80ch] border-l-4 px-4 py-3">
      <p>
        “It does not stand right. I want{' '}
        {wanted.map(({ where, mm }, k) => (
          <Fragment key={where}>
            {k > 0 && (k === wanted.length - 1 ? ' and ' : ', ')}
            <span className="whitespace-nowrap">
              <Length mm={mm} /> {where}
            </span>
          </Fragment>
        ))}
        . Within <SizeLength mm={toleranceMm} /> either way will do. And it is to stay there.”
      </p>
    </blockquote>
  );
}
