import { Button } from 'antd';
import { useRouteError } from 'react-router';

/** A screen that broke down: a fault of ours, said as such, with the way on. What was typed is kept. */
export function Fault() {
  const error = useRouteError();
  return (
    <main className="page">
      <h1>This screen broke down</h1>
      <p>It is a fault of the program, not of yours. Your changes are kept. Reload to go on.</p>
      <p className="note">{error instanceof Error ? error.message : String(error)}</p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Reload
      </Button>
    </main>
  );
}
