import type { Knex } from 'knex';

/** The last saves of a bag by their own ids, to know a repeat; and deletes that can be undone. */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('bags', (table) => {
    table.jsonb('saves').notNullable().defaultTo('[]');
    table.timestamp('deleted_at').nullable();
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('bags', (table) => {
    table.dropColumn('saves');
    table.dropColumn('deleted_at');
  });
}
