import type { Knex } from 'knex';

/** What is done on bags: events that are added once and never changed. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('events', (table) => {
    table.uuid('bag_id').notNullable().references('bags.id').onDelete('CASCADE');
    table.uuid('id').notNullable();
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    /** In the order in which they arrived: of one bag each is higher than all that were to be seen before it. */
    table.bigIncrements('seq', { primaryKey: false });
    table.jsonb('event').notNullable();
    table.timestamp('arrived_at').notNullable().defaultTo(db.fn.now());
    table.primary(['bag_id', 'id']);
    table.index(['bag_id', 'seq']);
    table.index('owner_id');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('events');
}
