import { Button } from 'antd';
import { MapBar } from './MapBar.tsx';

interface DrawBarProps {
  /** What was drawn last was too small for a zone. */
  readonly isTooSmall: boolean;
  readonly onMiddle: () => void;
  readonly onEnd: () => void;
}

/** While a new zone is drawn on the map. */
export const DrawBar = ({ isTooSmall, onMiddle, onEnd }: DrawBarProps) => (
  <MapBar
    label="A new zone"
    says={
      isTooSmall
        ? 'That was too small for a zone: press, go around it in one line, and lift.'
        : 'Draw around the new zone in one line, with the pointer or a finger.'
    }
    end="Cancel"
    onEnd={onEnd}
  >
    <Button autoFocus onClick={onMiddle}>
      Put it where there is room
    </Button>
  </MapBar>
);
