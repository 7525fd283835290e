import { Input } from 'antd';
import { useId, useState } from 'react';

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

/** Words that are passed on when the field is left. What was typed meanwhile stays where the value changes elsewhere. */
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
  const leave = (): void => {
    if (typed === null || problem) return;
    if (typed.trim() !== value) onChange(typed.trim());
    setTyped(null);
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
