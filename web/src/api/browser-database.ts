import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

interface Making<Stores extends DBSchema> {
  readonly name: string;
  readonly version: number;
  readonly upgrade: (db: IDBPDatabase<Stores>) => void;
}

/**
 * A database of this browser, opened when it is first asked for. One that broke off, or could not be opened, is opened anew the
 * next time; a window with a newer Fennot is not kept waiting by this one.
 */
export function browserDatabase<Stores extends DBSchema>({ name, version, upgrade }: Making<Stores>) {
  let opened: Promise<IDBPDatabase<Stores>> | undefined;
  return (): Promise<IDBPDatabase<Stores>> => {
    opened ??= openDB<Stores>(name, version, {
      upgrade: (db) => upgrade(db),
      blocking: () => {
        void opened?.then((db) => db.close());
        opened = undefined;
      },
      terminated: () => {
        opened = undefined;
      },
    }).catch((error: unknown) => {
      opened = undefined;
      throw error;
    });
    return opened;
  };
}
