import type { TakenJob } from '@blue-ledge/core';
import { useLocation } from 'react-router';

/** What a job page is told by the file that was just taken in. */
export interface TakenState {
  readonly taken: TakenJob;
  /** The id that the job has in its file. */
  readonly idInFile: string;
}

const isTaken = (state: unknown): state is TakenState =>
  typeof state === 'object' && state !== null && 'taken' in state;

/** What is otherwise in here than in the file that was taken in; nothing where all is the same. */
export function TakenNote({ job }: { readonly job: string }) {
  const { state } = useLocation() as { readonly state: unknown };
  if (!isTaken(state) || state.taken.id !== job) return null;
  const { taken, idInFile } = state;
  const { unknownFields } = taken;
  const isRenamed = taken.id !== idInFile;
  if (!isRenamed && unknownFields.length === 0) return null;
  return (
    <div className="plan-done" role="status">
      {isRenamed && (
        <p>
          The id of this job is {taken.id}: a job that was removed has the id {idInFile}, and can be put back.
        </p>
      )}
      {unknownFields.length > 0 && (
        <p>
          Kept for the program that wrote the file, though nothing here reads{' '}
          {unknownFields.length === 1 ? 'it' : 'them'}: {unknownFields.join(', ')}.
        </p>
      )}
    </div>
  );
}
