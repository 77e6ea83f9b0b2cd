import type { Knex } from 'knex';

/** What a list shows of a bag, made when the bag is saved; older bags get theirs when they are first asked for. */
export async function up(db: Knex): Promise<void> {
  await db.schema.alterTable('bags', (table) => {
    table.text('name').notNullable().defaultTo('');
    /** Of which making of summaries it is; null: none yet. */
    table.integer('summed');
    table.jsonb('summary');
    table.text('picture');
  });
  await db.raw(`update bags set name = coalesce(left(document->>'name', 80), '')`);
  // Bags made in one transaction are made one after the other, too.
  await db.raw('alter table bags alter column updated_at set default clock_timestamp()');
  await db.raw(
    'create index bags_by_change on bags (owner_id, updated_at desc, id desc) where deleted_at is null',
  );
  await db.raw('create index bags_by_name on bags (owner_id, lower(name), id) where deleted_at is null');
}

export async function down(db: Knex): Promise<void> {
  await db.raw('alter table bags alter column updated_at set default now()');
  await db.schema.alterTable('bags', (table) => {
    table.dropIndex([], 'bags_by_change');
    table.dropIndex([], 'bags_by_name');
    table.dropColumns('name', 'summed', 'summary', 'picture');
  });
}
