import { numberProblem, readNumber } from '@blue-ledge/core';
import { Input } from 'antd';
import { useId, useRef, useState, type KeyboardEvent } from 'react';

interface NumberInputProps {
  readonly value: number | null;
  readonly from: number;
  readonly to: number;
  readonly onChange: (value: number) => void;
  /** Called when the field is emptied; without it an empty field is a problem. */
  readonly onClear?: (() => void) | undefined;
  /** What the field is, for its sentences; also its name where it has no label of its own. */
  readonly name: string;
  /** Id for a label outside; without one the field carries its name itself. */
  readonly id?: string | undefined;
  readonly unit?: string | undefined;
  /** Writes the ends of the range for its sentence. */
  readonly say?: (limit: number) => string;
  readonly isWhole?: boolean;
  /** Decimals in which a value is the same as what was typed. */
  readonly digits?: number;
  /** Stands in the empty field. */
  readonly placeholder?: string | undefined;
  readonly disabled?: boolean;
  /** Passes a value on when the field is left, not with every digit. */
  readonly whenLeft?: boolean;
}

/** What stands in the field while it is typed in, the value that it stands over, and the one before any of it. */
interface Typed {
  readonly text: string;
  readonly over: number | null;
  readonly before: number | null;
}

const STEPS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowDown: -1 };
/** With Shift an arrow key goes so many steps. */
const SHIFT_STEPS = 10;
const MOST_DIGITS = 6;

const written = (value: number | null): string => (value === null ? '' : String(value));

/**
 * The one field for numbers. What is typed stays as it was typed, and counts where it means one number inside the range;
 * else a sentence says what is wrong, and nothing is passed on. A value that comes from elsewhere takes its place.
 */
export function NumberInput({
  value,
  from,
  to,
  onChange,
  onClear,
  name,
  id,
  unit = '',
  say = String,
  isWhole = false,
  digits = MOST_DIGITS,
  placeholder,
  disabled = false,
  whenLeft = false,
}: NumberInputProps) {
  const [typed, setTyped] = useState<Typed | null>(null);
  const pending = useRef<number | null>(null);
  const problemId = useId();
  const isSame = (a: number | null, b: number | null): boolean =>
    a === b || (a !== null && b !== null && Math.abs(a - b) < 0.6 * 10 ** -digits);
  const problemOf = (of: string): string | null => {
    const range = `${name} must be from ${say(from)} to ${say(to)}${unit && ` ${unit}`}.`;
    if (of.trim() === '') return onClear ? null : range;
    const number = readNumber(of);
    if (number === null) return numberProblem(of);
    if (isWhole && !Number.isInteger(number)) return `${name} must be a whole number.`;
    return number < from || number > to ? range : null;
  };
  // What was typed came through, or was taken back for being wrong, or something else took its place meanwhile.
  if (typed !== null && !Object.is(typed.over, value)) {
    const isTakenBack = problemOf(typed.text) !== null && typed.before === value;
    setTyped(isTakenBack || isSame(readNumber(typed.text), value) ? { ...typed, over: value } : null);
  }
  const text = typed?.text ?? written(value);
  const problem = typed === null ? null : problemOf(typed.text);

  const passOn = (): void => {
    if (pending.current !== null) onChange(pending.current);
    pending.current = null;
  };
  const take = (next: string): void => {
    const before = typed === null ? value : typed.before;
    setTyped({ text: next, over: value, before });
    const number = readNumber(next);
    pending.current = null;
    if (next.trim() === '' && onClear && value !== null) onClear();
    // The start of it may have counted already: "1,25" on the way to "1,250".
    if (problemOf(next) !== null && before !== null && before !== value) onChange(before);
    if (number === null || problemOf(next) !== null) return;
    if (number !== value) pending.current = number;
    if (!whenLeft) passOn();
  };
  const leave = (): void => {
    passOn();
    if (problem === null) setTyped(null);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    if (event.key === 'Enter') leave();
    if (event.key === 'Escape' && typed !== null) {
      // What was typed is dropped, and not the drawer that the field is in.
      event.stopPropagation();
      pending.current = null;
      setTyped(null);
    }
    if (step === undefined) return;
    event.preventDefault();
    const at = readNumber(text) ?? value ?? from;
    const by = event.shiftKey ? step * SHIFT_STEPS : step;
    take(written(Number(Math.min(to, Math.max(from, at + by)).toFixed(MOST_DIGITS))));
    passOn();
  };
  return (
    <>
      <Input
        id={id}
        className="number-input"
        role="spinbutton"
        inputMode="decimal"
        autoComplete="off"
        aria-label={id === undefined ? name : undefined}
        aria-valuenow={value ?? undefined}
        aria-valuemin={from}
        aria-valuemax={to}
        aria-invalid={problem !== null}
        aria-describedby={problem ? problemId : undefined}
        value={text}
        placeholder={placeholder}
        suffix={unit}
        status={problem ? 'error' : ''}
        disabled={disabled}
        onChange={({ target }) => take(target.value)}
        onBlur={leave}
        onKeyDown={onKeyDown}
      />
      {problem && (
        <p id={problemId} className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </>
  );
}
