import {
  capital,
  LEAST_SAMPLES,
  SHOP_RULES,
  figureInForce,
  withOwnFigure,
  type InAir,
  type OwnFigure,
  type OwnFigureChange,
  type Shop,
} from '@blue-ledge/core';
import { Button, Popconfirm } from 'antd';
import { useOwnFigures } from '../api/record-queries.ts';
import { CheckOutlined, UndoOutlined } from '../shared/icons.tsx';
import { Problem } from '../shared/Problem.tsx';
import { SourceMark } from '../shared/SourceMark.tsx';
import { useFormat } from '../state/units.ts';
import { figureReading } from './figure-reading.ts';

interface OwnFiguresProps {
  readonly shopId: string;
  readonly shop: Shop;
  readonly onChange: (change: OwnFigureChange) => void;
}

/** What the record says of the shop's figures: each beside the one that plans reckon with, to be taken with one tap, and back. */
export function OwnFigures({ shopId, shop, onChange }: OwnFiguresProps) {
  const { data, error, isPending } = useOwnFigures(shopId);
  if (error) return <Problem error={error} />;
  if (isPending) return <p className="note">Reading the records of this shop</p>;
  const { figures, nPanels, nLeftOut } = data;
  if (figures.length === 0)
    return (
      <p className="empty">
        Nothing to reckon from yet. Tap “Begin” before a step at the bench and “Done” after it, write what the
        comb and the gauge read, and tap the fingertip check when a coat is dry to touch: this shop’s own
        minutes, films and flash times are shown here then.
      </p>
    );
  return (
    <>
      <p className="note">
        From {nPanels === 1 ? 'the record of one panel' : `the records of ${nPanels} panels`}
        {nLeftOut > 0 && `, the last that were worked on; ${nLeftOut} older ones are left out`}. Each is the
        figure with which the plan would have said what was really written down: the middle of all, and
        between what half of them lie. Flash is from the last pass until a fingertip stayed clean. A figure
        needs about {LEAST_SAMPLES} of them that lie near to one another; before that it is what there is so
        far.
      </p>
      <table className="own-figures">
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Plans reckon with</th>
            <th scope="col">The record says</th>
            <th scope="col">Times</th>
            <th scope="col">
              <span className="visually-hidden">Take it or go back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {figures.map((figure) => (
            <FigureRow
              key={`${figure.rule} ${figure.gunId ?? ''}`}
              figure={figure}
              onTake={(value) => onChange(withOwnFigure(shop, figure, value))}
              inForce={figureInForce(shop, figure)}
            />
          ))}
        </tbody>
      </table>
    </>
  );
}

interface FigureRowProps {
  readonly figure: OwnFigure;
  readonly inForce: OwnFigure['inForce'];
  /** With null the shop goes back to what it had by default. */
  readonly onTake: (value: number | null) => void;
}

function FigureRow({ figure, inForce, onTake }: FigureRowProps) {
  const { system, quantity } = useFormat();
  const { rule, gunName, value, count, from, to, offBy, isEnough, isInRange, inAir } = figure;
  const { text } = figureReading(rule, system);
  const isTaken = inForce.source === 'shop' && inForce.value === value;
  const name = capital(SHOP_RULES[rule].about);
  const band = ({ fromCelsius, toCelsius, ...at }: InAir): string =>
    `${quantity('Celsius', fromCelsius)} to ${quantity('Celsius', toCelsius)}: ${text(at.value)} (${at.count})`;
  return (
    <tr>
      <th scope="row">
        {name}
        {gunName && <span className="note"> {gunName}</span>}
        {inAir && inAir.length > 1 && <small>{inAir.map(band).join(', ')}</small>}
      </th>
      <td>
        {text(inForce.value)} <SourceMark source={inForce.source} />
      </td>
      <td>
        <b>{text(value)}</b> {count > 1 && <small>{`${text(from)} to ${text(to)}`}</small>}
      </td>
      <td>{isEnough ? count : `so far, ${count}`}</td>
      <td>
        {isTaken ? (
          <span className="own-taken">
            <CheckOutlined /> in use
          </span>
        ) : (
          <Popconfirm
            title={`Use ${text(value)} all the same?`}
            description={`It comes from ${count === 1 ? 'one piece of work' : `${count} pieces of work`}, and may be off by ${text(offBy)} or more.`}
            okText="Use it"
            cancelText="Wait for more"
            disabled={isEnough || !isInRange}
            onConfirm={() => onTake(value)}
          >
            <Button
              aria-label={`Use ${text(value)}: ${name}${gunName ? `, ${gunName}` : ''}`}
              disabled={!isInRange}
              title={isInRange ? undefined : 'Outside what this figure may be'}
              onClick={isEnough ? () => onTake(value) : undefined}
            >
              {isEnough ? 'Use it' : 'Use it…'}
            </Button>
          </Popconfirm>
        )}
        {inForce.source === 'shop' && (
          <Button
            type="text"
            icon={<UndoOutlined />}
            aria-label={`Back to ${text(SHOP_RULES[rule].preset)}: ${name}${gunName ? `, ${gunName}` : ''}`}
            onClick={() => onTake(null)}
          >
            Back to {text(SHOP_RULES[rule].preset)}
          </Button>
        )}
      </td>
    </tr>
  );
}
