import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { allKeptBags, type KeptName } from './kept-bags.ts';

/** Bags that were opened in this browser: they open without the server. */
export function KeptBags() {
  const [bags, setBags] = useState<readonly KeptName[]>([]);
  useEffect(() => {
    void allKeptBags().then(setBags, () => undefined);
  }, []);
  if (bags.length === 0) return null;
  return (
    <section aria-label="Opened here before" className="flex w-full flex-col gap-1">
      <h2 className="text-lg">Opened here before, and ready without it</h2>
      <ul className="flex flex-col">
        {bags.map(({ id, name }) => (
          <li key={id}>
            <Link
              to={`/bags/${id}/make`}
              className="flex min-h-11 items-center font-medium text-kingfisher underline"
            >
              {name}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
