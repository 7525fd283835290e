import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { useRouteError } from 'react-router';
import { faultOf, tellFault } from '../state/faults.ts';

/** A screen that broke down: a fault of ours, said as such, with the way on. What was typed is kept. */
export function Fault() {
  const error = useRouteError();
  const [fault] = useState(() => faultOf(error));
  useEffect(() => tellFault(fault, error), [fault, error]);
  return (
    <main className="page">
      <h1>This screen broke down</h1>
      <p>It is a fault of the program, not of yours. Your changes are kept. Reload to go on.</p>
      <p className="note">
        {fault.message} (reference {fault.reference})
      </p>
      <Button type="primary" onClick={() => window.location.reload()}>
        Reload
      </Button>
    </main>
  );
}
