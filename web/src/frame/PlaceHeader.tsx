import { Settings2 } from 'lucide-react';
import { NavLink } from 'react-router';
import { Wordmark } from './Wordmark.tsx';

const PLACES = [
  { to: '/', name: 'Bags' },
  { to: '/yarn', name: 'Yarn' },
  { to: '/swatches', name: 'Swatches' },
  { to: '/motifs', name: 'Motifs' },
] as const;

/** The top line of every place but an open bag: where one can go. */
export function PlaceHeader() {
  return (
    <header className="flex min-h-12 items-center gap-5 border-b border-line bg-card px-4 max-sm:gap-3 max-sm:px-2">
      <Wordmark small />
      <nav aria-label="Places" className="flex self-stretch">
        {PLACES.map(({ to, name }) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `flex items-center border-b-2 px-3 text-sm max-sm:px-2 font-medium ${
                isActive ? 'border-kingfisher text-ink' : 'border-transparent text-soft hover:text-kingfisher'
              }`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      <NavLink
        to="/settings"
        className={({ isActive }) =>
          `ml-auto flex items-center gap-1.5 self-stretch border-b-2 px-2 text-sm font-medium ${
            isActive ? 'border-kingfisher text-ink' : 'border-transparent text-soft hover:text-kingfisher'
          }`
        }
      >
        <Settings2 size={16} aria-hidden /> <span className="max-sm:sr-only">Settings</span>
      </NavLink>
    </header>
  );
}
