import { CameraOutlined, CheckOutlined, PlusSquareOutlined, WarningOutlined } from '../../shared/icons.tsx';
import type { RunStep } from './use-run.ts';

interface RunActsProps {
  readonly shown: RunStep;
  readonly isAllowed: boolean;
  readonly isBegun: boolean;
  readonly onBegin: () => void;
  readonly onDone: () => void;
  readonly onDiffers: () => void;
  readonly onReading: () => void;
  readonly onPhoto: () => void;
  readonly onWrong: () => void;
}

/** What a gloved hand does: done, done otherwise, a reading, something is wrong. */
export function RunActs({
  shown,
  isAllowed,
  isBegun,
  onBegin,
  onDone,
  onDiffers,
  onReading,
  onPhoto,
  onWrong,
}: RunActsProps) {
  const { entry } = shown;
  return (
    <div className="run-acts">
      {shown.isDone ? (
        <p className="run-done">
          <CheckOutlined /> Done{entry ? ` by ${entry.by}` : ' before this plan was made'}
        </p>
      ) : (
        <>
          <button
            type="button"
            className={isAllowed ? 'run-act is-primary' : 'run-act is-doubtful'}
            onClick={onDone}
          >
            <CheckOutlined />
            <span>
              <b>{isAllowed ? 'Done as planned' : 'Done all the same'}</b>
              <small>{isAllowed ? 'Enter' : 'the record says what the rules asked for'}</small>
            </span>
          </button>
          {!isBegun && (
            <button type="button" className="run-act" onClick={onBegin}>
              <span>
                <b>Begin</b>
                <small>counts the minutes</small>
              </span>
            </button>
          )}
          <button type="button" className="run-act" onClick={onDiffers}>
            <span>
              <b>Done otherwise…</b>
              <small>coats, grade, film, time</small>
            </span>
          </button>
        </>
      )}
      <button type="button" className="run-act" onClick={onReading}>
        <PlusSquareOutlined />
        <span>
          <b>Log a reading</b>
          <small>film, temperature</small>
        </span>
      </button>
      <button type="button" className="run-act is-small" onClick={onPhoto}>
        <CameraOutlined />
        <span>
          <b>Photo</b>
        </span>
      </button>
      <button type="button" className="run-act is-wrong" onClick={onWrong}>
        <WarningOutlined />
        <span>
          <b>Something’s wrong</b>
          <small>run, dust, rubbed through</small>
        </span>
      </button>
    </div>
  );
}
