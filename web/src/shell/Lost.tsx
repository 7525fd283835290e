import { Link } from 'react-router';

/** Where an address leads nowhere. */
export function Lost() {
  return (
    <main className="page">
      <h1>There is nothing at this address</h1>
      <p>
        The job or panel may have been renamed. <Link to="/jobs">Go to the jobs</Link>.
      </p>
    </main>
  );
}
