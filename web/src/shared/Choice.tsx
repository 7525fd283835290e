import { Select } from 'antd';

interface ChoiceProps<Value extends string> {
  readonly label: string;
  readonly value: Value;
  readonly options: readonly (readonly [Value, string])[];
  readonly onChange: (value: Value) => void;
}

/** One of a few words, under its label. */
export function Choice<Value extends string>({ label, value, options, onChange }: ChoiceProps<Value>) {
  return (
    <label className="field">
      <span>{label}</span>
      <Select
        aria-label={label}
        value={value}
        options={options.map(([name, words]) => ({ value: name, label: words }))}
        onChange={onChange}
      />
    </label>
  );
}
