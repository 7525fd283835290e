import { Input } from 'antd';
import { useId } from 'react';

interface NoteFieldProps {
  readonly label?: string;
  readonly value: string;
  readonly most?: number;
  /** One column is enough. */
  readonly isShort?: boolean;
  readonly onChange: (text: string) => void;
}

/** Words of somebody's own, in one line. */
export function NoteField({ label = 'Note', value, most = 2000, isShort = false, onChange }: NoteFieldProps) {
  const id = useId();
  return (
    <div className={isShort ? 'field' : 'field is-wide'}>
      <label htmlFor={id}>{label}</label>
      <Input id={id} value={value} maxLength={most} onChange={({ target }) => onChange(target.value)} />
    </div>
  );
}
