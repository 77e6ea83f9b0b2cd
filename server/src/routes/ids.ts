import { z } from 'zod';

/** Whether an id of an address can be one: what cannot is nowhere, and the database need not be asked. */
export const isUuid = (id: string): boolean => z.uuid().safeParse(id).success;
