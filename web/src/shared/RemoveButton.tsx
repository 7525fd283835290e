import { Button, type ButtonProps } from 'antd';
import { CloseOutlined } from './icons.tsx';
import type { MouseEvent } from 'react';

/**
 * Presses nearer than this to a removal are its double tap, ms: what comes after a removed thing moves under the finger,
 * and must not go with it.
 */
const REST_MS = 700;

let lastRemovalMs = -Infinity;

interface RemoveButtonProps extends Pick<
  ButtonProps,
  'className' | 'disabled' | 'icon' | 'title' | 'type' | 'children'
> {
  readonly label: string;
  readonly onRemove: () => void;
}

/** Takes one thing away, and one only however often it is pressed at once. */
export function RemoveButton({
  label,
  onRemove,
  type = 'text',
  icon = <CloseOutlined />,
  title = label,
  ...rest
}: RemoveButtonProps) {
  const remove = ({ timeStamp }: MouseEvent): void => {
    if (timeStamp - lastRemovalMs < REST_MS) return;
    lastRemovalMs = timeStamp;
    onRemove();
  };
  return <Button type={type} icon={icon} aria-label={label} title={title} {...rest} onClick={remove} />;
}
