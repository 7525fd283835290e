import { NavLink } from 'react-router';
import '../shared/stage-tabs.css';

const PARTS = [
  ['/practice', 'Blocking'],
  ['/practice/cases', 'Cases'],
] as const;

/** What there is to practise. */
export const PracticeTabs = () => (
  <nav className="stage-tabs" aria-label="What to practise">
    {PARTS.map(([to, label]) => (
      <NavLink key={to} to={to} end className={({ isActive }) => (isActive ? 'stepped-row active' : '')}>
        {label}
      </NavLink>
    ))}
  </nav>
);
