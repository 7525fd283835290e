import { Link } from 'react-router';
import { PageTitle } from './PageTitle.tsx';

/** Where an address leads nowhere. */
export function Lost() {
  return (
    <main className="page">
      <PageTitle name="Nothing here" />
      <h1>There is nothing at this address</h1>
      <p>
        The job or panel may have been renamed. <Link to="/jobs">Go to the jobs</Link>.
      </p>
    </main>
  );
}
