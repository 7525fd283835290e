import type { Ladder, LadderTask, ShowVerdict, Showing } from '@blue-ledge/core';
import type { ReactNode } from 'react';
import { CheckOutlined, CloseSquareOutlined, WarningOutlined } from '../../shared/icons.tsx';
import { SourceMark } from '../../shared/SourceMark.tsx';
import { useFormat } from '../../state/units.ts';

interface Compared {
  readonly name: string;
  readonly ladder: Ladder | null;
  readonly showing: Showing | null;
}

interface CompareProps {
  readonly ladders: readonly Compared[];
  readonly task: LadderTask;
  readonly film?: { readonly um: number; readonly mustStayUm: number };
}

/** How a verdict is drawn; its word stands beside it. */
export const VERDICT_CLASS: Record<ShowVerdict, string> = {
  passes: 'passes',
  borderline: 'borderline',
  shows: 'fails',
};
const VERDICT_ICONS: Record<ShowVerdict, ReactNode> = {
  passes: <CheckOutlined />,
  borderline: <WarningOutlined />,
  shows: <CloseSquareOutlined />,
};

const PLANE_WORDS = { gloss: 'in the gloss', flake: 'under the flakes', 'sink-back': 'sinks back' } as const;

/** Ladders side by side: minutes, discs, film, largest jump, and what would show. */
export function Compare({ ladders, task, film }: CompareProps) {
  const { quantity, minutes } = useFormat();
  const most = task.largestJump ?? Infinity;
  const known = ladders.filter((each): each is Compared & { ladder: Ladder } => each.ladder !== null);
  return (
    <table className="compare">
      <thead>
        <tr>
          <th scope="col">
            <span className="visually-hidden">Ladder</span>
          </th>
          <th scope="col">
            Minutes <SourceMark source="model" />
          </th>
          <th scope="col">
            Discs <SourceMark source="model" />
          </th>
          <th scope="col">
            Film taken <SourceMark source="model" />
          </th>
          <th scope="col">Biggest grit step</th>
          <th scope="col">What shows</th>
        </tr>
      </thead>
      <tbody>
        {known.map(({ name, ladder, showing }) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>{minutes(ladder.minutes)}</td>
            <td>{ladder.discs < 0.05 ? 'under 0.1' : ladder.discs.toFixed(1)}</td>
            <td>
              {quantity('Um', ladder.takenUm)}
              {film && film.um - ladder.takenUm < film.mustStayUm && (
                <span className="too-far">
                  {' '}
                  leaves {quantity('Um', Math.max(0, film.um - ladder.takenUm))}
                </span>
              )}
            </td>
            <td className={ladder.largestJump > most + 1e-9 ? 'too-far' : ''}>
              {ladder.largestJump.toFixed(1)}
              {ladder.largestJump > most + 1e-9 && `, most ${most}`}
            </td>
            <td>
              {showing && (
                <span className={VERDICT_CLASS[showing.verdict]}>
                  {VERDICT_ICONS[showing.verdict]} {showing.verdict}, {quantity('FineUm', showing.grooveUm)}{' '}
                  {PLANE_WORDS[showing.plane]}
                </span>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
