import { noteTexts, type Plan } from '@fennot/core';
import { NavLink } from 'react-router';
import { STATIONS, type Station, stationName } from '../stations/station.ts';

/** The stations in working order, strung on a thread like stitch markers. */
export function StationNav({ plan, base }: { readonly plan: Plan; readonly base: string }) {
  const notes: ReadonlyMap<Station, string> = noteTexts(plan);
  return (
    <nav
      aria-label="Stations"
      className="relative shrink-0 overflow-x-auto overflow-y-hidden border-b border-line bg-card"
    >
      <ol className="flex min-w-max items-stretch px-3">
        {STATIONS.map((station) => (
          <li key={station} className="flex items-center">
            <NavLink
              to={`${base}/${station}`}
              className={({ isActive }) =>
                `group flex min-h-10 items-center gap-2 border-b-[3px] px-3 pt-1 text-sm font-semibold ${
                  isActive
                    ? 'border-kingfisher text-ink'
                    : 'border-transparent text-soft hover:text-kingfisher'
                }`
              }
            >
              <Marker open={notes.has(station)} />
              <span className="flex flex-col leading-tight">
                {stationName[station]}
                {notes.has(station) && (
                  <span className="text-[11px] font-normal whitespace-nowrap text-loosestrife max-sm:sr-only">
                    {notes.get(station)}
                  </span>
                )}
              </span>
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  );
}

/** A stitch marker: closed when all is settled, open when something is not. */
function Marker({ open }: { readonly open: boolean }) {
  return (
    <svg
      viewBox="0 0 14 18"
      className="h-4"
      aria-hidden="true"
      fill="none"
      strokeWidth={2}
      strokeLinecap="round"
    >
      {open ? (
        <path d="M4 6.5A4.6 4.6 0 1 0 9.6 6.3M9.4 6.4L12 1.5" stroke="var(--loosestrife)" />
      ) : (
        <path d="M7 2v4.2M7 6.3a5 5 0 1 0 .01 0" stroke="var(--reed)" />
      )}
    </svg>
  );
}
