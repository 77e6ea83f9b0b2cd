import type { Knex } from 'knex';

/** A diary of what takes things away or brings them in: who, when, what. It outlives the bags it tells of. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('audit', (table) => {
    table.bigIncrements('id');
    table.timestamp('at').notNullable().defaultTo(db.fn.now());
    table.uuid('owner_id').notNullable();
    table.text('what').notNullable();
    table.uuid('bag_id');
    table.text('name').notNullable();
    table.index(['owner_id', 'at']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('audit');
}
