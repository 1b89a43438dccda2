import { openDB, type DBSchema, type IDBPDatabase } from "idb";

/** Opens a database of this device once; again after it could not be opened, or was closed by the browser. */
export function opener<Schema extends DBSchema>(name: string, create: (database: IDBPDatabase<Schema>) => void) {
  let opened: Promise<IDBPDatabase<Schema>> | null = null;
  const forget = () => {
    opened = null;
  };
  return {
    open: () =>
      (opened ??= openDB<Schema>(name, 1, { upgrade: create, terminated: forget }).catch((error: unknown) => {
        forget();
        throw error;
      })),
    close: async () => {
      (await opened)?.close();
      forget();
    },
  };
}
