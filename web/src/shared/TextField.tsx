import { Input } from 'antd';
import { useEffect, useId, useState } from 'react';
import { useLatest } from './use-latest.ts';

interface TextFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly rows?: number;
  readonly placeholder?: string;
  /** What an empty field says; without it, it may be empty. */
  readonly whenEmpty?: string;
  readonly onChange: (value: string) => void;
}

/** A rest in typing after which words are passed on, ms. */
const REST_MS = 1000;

/**
 * Words that are passed on while they are typed, with each rest, and when the field is left: a reload loses next to nothing.
 * What was typed stays where the value changes elsewhere.
 */
export function TextField({
  label,
  value,
  most,
  rows = 1,
  placeholder,
  whenEmpty,
  onChange,
}: TextFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const id = useId();
  const shown = typed ?? value;
  const problem = whenEmpty && typed !== null && typed.trim() === '' ? whenEmpty : null;
  const isToPassOn = typed !== null && !problem && typed.trim() !== value;
  const passOn = useLatest((): void => {
    if (isToPassOn) onChange(typed.trim());
  });
  useEffect(() => {
    const timer = setTimeout(() => passOn.current(), REST_MS);
    return () => clearTimeout(timer);
  }, [typed, passOn]);
  // A page that is left takes what was typed with it.
  useEffect(() => () => passOn.current(), [passOn]);
  const leave = (): void => {
    passOn.current();
    if (!problem) setTyped(null);
  };
  const field = {
    id,
    value: shown,
    maxLength: most,
    placeholder,
    status: problem ? ('error' as const) : ('' as const),
    onChange: ({ target }: { readonly target: { readonly value: string } }) => setTyped(target.value),
    onBlur: leave,
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      {rows > 1 ? <Input.TextArea {...field} rows={rows} /> : <Input {...field} onPressEnter={leave} />}
      {problem && (
        <p className="field-problem" role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
