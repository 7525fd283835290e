import type { ReactNode } from 'react';
import './dialog-fields.css';

/** The fields of a dialog, two beside each other; a note takes the whole width. */
export const DialogFields = ({ children }: { readonly children: ReactNode }) => (
  <div className="dialog-fields">{children}</div>
);
