import type { Knex } from 'knex';

/**
 * What a maker has beside bags: lots of yarn, what of them is set aside for which bag, swatches and motifs; and the changes
 * made to them by their own ids, to know a repeat.
 */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('lots', (table) => {
    table.uuid('id').primary();
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    table.jsonb('lot').notNullable();
    table.integer('version').notNullable();
    table.timestamp('made_at').notNullable().defaultTo(db.raw('clock_timestamp()'));
    table.index(['owner_id', 'made_at']);
  });
  await db.schema.createTable('allotments', (table) => {
    table.uuid('id').primary();
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    table.uuid('lot_id').notNullable().references('lots.id').onDelete('CASCADE');
    table.uuid('bag_id').notNullable().references('bags.id').onDelete('CASCADE');
    table.text('yarn').notNullable();
    table.double('grams').notNullable();
    table.timestamp('made_at').notNullable().defaultTo(db.raw('clock_timestamp()'));
    table.index(['owner_id', 'made_at']);
    // A bag asks once for a lot, for each of its yarns.
    table.unique(['lot_id', 'bag_id', 'yarn']);
    table.index('bag_id');
  });
  await db.schema.createTable('library', (table) => {
    table.uuid('id').primary();
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    table.jsonb('item').notNullable();
    table.integer('version').notNullable();
    table.timestamp('made_at').notNullable().defaultTo(db.raw('clock_timestamp()'));
    table.index(['owner_id', 'made_at']);
  });
  await db.schema.createTable('holding_changes', (table) => {
    table.uuid('id').primary();
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    table.jsonb('answer').notNullable();
    table.timestamp('at').notNullable().defaultTo(db.fn.now());
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('holding_changes');
  await db.schema.dropTable('library');
  await db.schema.dropTable('allotments');
  await db.schema.dropTable('lots');
}
