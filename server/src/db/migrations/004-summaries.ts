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
  await db.raw(
    'create index bags_by_name on bags (owner_id, lower(name collate "und-x-icu"), id) where deleted_at is null',
  );
  // Counts whatever changes among an owner's bags: a list that was made at the same count is the list.
  await db.schema.alterTable('owners', (table) => {
    table.bigInteger('changes').notNullable().defaultTo(0);
  });
  await db.raw(`
    create function bags_changed() returns trigger language plpgsql as $$
    begin
      update owners set changes = changes + 1 where id = coalesce(new.owner_id, old.owner_id);
      return null;
    end $$`);
  await db.raw(`
    create trigger bags_changed after insert or update or delete on bags
    for each row execute function bags_changed()`);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop trigger bags_changed on bags');
  await db.raw('drop function bags_changed()');
  await db.schema.alterTable('owners', (table) => table.dropColumn('changes'));
  await db.raw('alter table bags alter column updated_at set default now()');
  await db.schema.alterTable('bags', (table) => {
    table.dropIndex([], 'bags_by_change');
    table.dropIndex([], 'bags_by_name');
    table.dropColumns('name', 'summed', 'summary', 'picture');
  });
}
