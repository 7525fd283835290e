import { RequestRefused } from '../api/http.ts';

/** What went wrong, in the server's own sentences. */
export function Problem({ error }: { readonly error: Error }) {
  const lines = error instanceof RequestRefused ? error.lines : [];
  return (
    <div className="problem" role="alert">
      <b>{error.message}</b>
      {lines.length > 0 && lines[0] !== error.message && (
        <ul>
          {lines.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
    </div>
  );
}

interface PendingProps {
  readonly error: Error | null;
  readonly what: string;
}

/** Stands in for a page whose content is on its way or did not come. */
export function Pending({ error, what }: PendingProps) {
  return (
    <main className="page">{error ? <Problem error={error} /> : <p role="status">Fetching {what}…</p>}</main>
  );
}
