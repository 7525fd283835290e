import { type ZoneBuild } from '@blue-ledge/core';
import { useFormat } from '../../state/units.ts';
import { usePanelContext } from '../panel-context.ts';
import { BudgetBar } from './BudgetBar.tsx';
import { measuredBuild, type MeasuredBuild } from './measured-build.ts';
import { Readings } from './Readings.tsx';

const WAY_WORDS = {
  one: 'One build is enough.',
  two: 'One build cannot do it: build, block, and build again.',
  'glaze-first': 'Two builds cannot do it: glaze or fill the waves first.',
} as const;

/** The film budget of one build: what it has to be enough for, what the plan lays, and what a gauge found. */
export function FilmView({ build }: { readonly build: ZoneBuild }) {
  const { quantity } = useFormat();
  const { view } = usePanelContext();
  const zone = view.panel.zones.find(({ id }) => id === build.zoneId);
  if (!zone) return null;
  const measured = measuredBuild(zone, build);
  const verdict = filmVerdict(build, measured, (um) => quantity('Um', um));
  const { way, cycles, leftUm } = build.cycles;
  return (
    <>
      <section className="sheet ladder-main film-view" aria-labelledby="film-head">
        <h2 id="film-head">
          Zone {build.zoneId}: film of {build.sheetName}
        </h2>
        <BudgetBar build={build} measured={measured} />
        <p className={verdict.isEnough ? 'passes' : 'fails'} role="status">
          {verdict.words}
        </p>
        <div className="cycles">
          <h3>Coats and cycles</h3>
          <p>{WAY_WORDS[way]}</p>
          <ol>
            {cycles.map(({ coats, filmUm }, i) => (
              <li key={i}>
                {i > 0 && 'After blocking: '}
                {coats} {coats === 1 ? 'coat' : 'coats'} of {quantity('Um', build.perCoatUm)},{' '}
                {quantity('Um', filmUm)} together, inside the sheet’s {quantity('Um', build.maxUm)}.
              </li>
            ))}
          </ol>
          {leftUm > 0 && <p className="fails">{quantity('Um', leftUm)} of waves are left even then.</p>}
        </div>
      </section>
      <Readings zone={zone} build={build} />
    </>
  );
}

interface FilmVerdict {
  readonly isEnough: boolean;
  readonly words: string;
}

/** Whether the film is enough: what is planned, or at the thinnest reading what was sprayed or is left. */
function filmVerdict(
  build: ZoneBuild,
  measured: MeasuredBuild | null,
  say: (um: number) => string,
): FilmVerdict {
  const { neededUm, mustStayUm } = build.budget;
  if (measured?.after === 'blocked') {
    const leftUm = measured.figures.leastUm;
    const isEnough = leftUm >= mustStayUm;
    const words = `${say(leftUm)} left at its thinnest reading, ${say(mustStayUm)} must stay`;
    return { isEnough, words: isEnough ? `Enough: ${words}.` : `Too thin: ${words}. Build again there.` };
  }
  const sprayedUm = measured ? measured.figures.leastUm : build.appliedUm;
  const shortUm = neededUm - sprayedUm;
  if (shortUm <= NOTHING_UM)
    return { isEnough: true, words: `Enough: ${say(sprayedUm)} for the ${say(neededUm)} it needs.` };
  const where = measured ? ' at its thinnest reading' : '';
  return {
    isEnough: false,
    words: `${say(shortUm)} short of the ${say(neededUm)} it needs${where}: ${moreCoats(shortUm, build)}.`,
  };
}

/** Less than this is within any gauge's error, µm. */
const NOTHING_UM = 0.5;

function moreCoats(shortUm: number, { appliedUm, perCoatUm, maxUm }: ZoneBuild): string {
  const coats = Math.ceil(shortUm / perCoatUm);
  return appliedUm + coats * perCoatUm > maxUm
    ? 'more than the sheet allows in one build, so block and build again'
    : `lay ${coats} more ${coats === 1 ? 'coat' : 'coats'}`;
}
