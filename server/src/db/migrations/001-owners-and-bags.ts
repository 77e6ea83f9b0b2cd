import type { Knex } from 'knex';

/** Owners with their settings, and bags. Every row of every table belongs to an owner from the start. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('owners', (table) => {
    table.uuid('id').primary().defaultTo(db.raw('gen_random_uuid()'));
    table.text('name').notNullable().unique();
    table.jsonb('settings').notNullable().defaultTo('{}');
    table.timestamp('created_at').notNullable().defaultTo(db.fn.now());
  });
  await db.schema.createTable('bags', (table) => {
    table.uuid('id').primary().defaultTo(db.raw('gen_random_uuid()'));
    table.uuid('owner_id').notNullable().references('owners.id').onDelete('CASCADE');
    table.jsonb('document').notNullable();
    table.integer('version').notNullable().defaultTo(1);
    table.timestamp('created_at').notNullable().defaultTo(db.fn.now());
    table.timestamp('updated_at').notNullable().defaultTo(db.fn.now());
    table.index(['owner_id', 'updated_at']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTable('bags');
  await db.schema.dropTable('owners');
}
