import { NavLink, Outlet } from 'react-router';
import {
  AimOutlined,
  FolderOpenOutlined,
  InboxOutlined,
  ReadOutlined,
  ScheduleOutlined,
  ShopOutlined,
} from '../shared/icons.tsx';
import { PatternDefs } from '../shared/materials/PatternDefs.tsx';
import { useAnnounced } from '../state/announce.ts';
import { focusSoon } from './focus.ts';
import { Notices } from './Notices.tsx';
import { Strip } from './Strip.tsx';
import './shell.css';

/** Rail, strip and the place that is open. */
export function Shell() {
  return (
    <div className="shell">
      <PatternDefs />
      <nav className="rail" aria-label="Places">
        <button type="button" className="skip-link" onClick={() => focusSoon(['main'])}>
          Skip to the content
        </button>
        <NavLink to="/bay" className="rail-mark" aria-label="Blue Ledge, the bay">
          <Mark />
        </NavLink>
        <NavLink to="/bay" className="rail-place">
          <ScheduleOutlined />
          Bay
        </NavLink>
        <NavLink to="/jobs" className="rail-place">
          <FolderOpenOutlined />
          Jobs
        </NavLink>
        <NavLink to="/shelf" className="rail-place">
          <InboxOutlined />
          Shelf
        </NavLink>
        <NavLink to="/shop" className="rail-place">
          <ShopOutlined />
          Shop
        </NavLink>
        <NavLink to="/practice" className="rail-place">
          <AimOutlined />
          Practice
        </NavLink>
        <NavLink to="/record" className="rail-place">
          <ReadOutlined />
          Record
        </NavLink>
      </nav>
      <Strip />
      <Outlet />
      <Notices />
      <Announcer />
    </div>
  );
}

/** Tells a screen reader what an act came to. */
function Announcer() {
  const text = useAnnounced((state) => state.text);
  return (
    <div role="status" className="visually-hidden">
      {text}
    </div>
  );
}

function Mark() {
  return (
    <svg width="36" height="32" viewBox="0 0 36 32" aria-hidden="true">
      <path d="M0 0h14v6h8v6H0z" fill="var(--on-deep)" />
      <path d="M0 16h24v5h8v5H0z" fill="#6EA8D6" />
      <path d="M0 28h36v3H0z" fill="#A9C3D8" />
    </svg>
  );
}
