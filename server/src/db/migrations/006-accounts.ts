import type { Knex } from 'knex';

/**
 * Accounts with their ways in, and the devices that are signed in. Secrets of all kinds are kept as hashes only. Times are the
 * database's own, so that no server's clock matters.
 */
export async function up(db: Knex): Promise<void> {
  // The local maker is known by its name; who has an account is known by that.
  await db.raw('alter table owners alter column name drop not null');
  await db.schema.createTable('accounts', (table) => {
    table.uuid('owner_id').primary().references('owners.id').onDelete('CASCADE');
    table.text('name').notNullable();
    /** The name as it is looked for: the same for all that look alike. */
    table.text('name_key').notNullable().unique();
    /** argon2id; none where only passkeys let in. */
    table.text('password');
    table.boolean('both').notNullable().defaultTo(false);
    table.boolean('first').notNullable().defaultTo(false);
    table.timestamp('made_at').notNullable().defaultTo(db.fn.now());
  });
  await db.schema.createTable('sessions', (table) => {
    table.uuid('id').primary().defaultTo(db.raw('gen_random_uuid()'));
    table.binary('secret').notNullable().unique();
    table.uuid('owner_id').notNullable().references('accounts.owner_id').onDelete('CASCADE');
    table.text('name').notNullable();
    table.text('how').notNullable();
    table.timestamp('made_at').notNullable().defaultTo(db.fn.now());
    table.timestamp('seen_at').notNullable().defaultTo(db.fn.now());
    table.timestamp('ends_at').notNullable();
    table.timestamp('confirmed_at');
    table.index(['owner_id', 'made_at']);
  });
  await db.schema.createTable('codes', (table) => {
    table.uuid('id').primary().defaultTo(db.raw('gen_random_uuid()'));
    table.binary('secret').notNullable().unique();
    /** What it lets in: the first account, a device, another maker. */
    table.text('lets_in').notNullable();
    table.uuid('owner_id').references('accounts.owner_id').onDelete('CASCADE');
    table.timestamp('ends_at').notNullable();
    /** What it let in, once it has. */
    table.text('used_by');
    table.index('owner_id');
  });
  await db.schema.createTable('recovery_codes', (table) => {
    table.binary('secret').primary();
    table.uuid('owner_id').notNullable().references('accounts.owner_id').onDelete('CASCADE');
    table.index('owner_id');
  });
  await db.schema.createTable('passkeys', (table) => {
    table.text('id').primary();
    table.uuid('owner_id').notNullable().references('accounts.owner_id').onDelete('CASCADE');
    table.text('name').notNullable();
    table.binary('public_key').notNullable();
    table.bigInteger('counter').notNullable();
    table.jsonb('transports').notNullable();
    table.text('host').notNullable();
    table.timestamp('made_at').notNullable().defaultTo(db.fn.now());
    table.timestamp('used_at');
    table.index('owner_id');
  });
  // What a passkey is asked to sign: good once.
  await db.schema.createTable('challenges', (table) => {
    table.binary('secret').primary();
    table.text('of').notNullable();
    /** Whose, where that is known: a second step after the password, or a passkey to be added. */
    table.uuid('owner_id').references('accounts.owner_id').onDelete('CASCADE');
    table.timestamp('ends_at').notNullable();
  });
  await db.schema.createTable('tries', (table) => {
    /** A hash: neither names nor addresses are kept. */
    table.binary('key').primary();
    table.integer('many').notNullable();
    table.timestamp('free_at').notNullable();
    table.timestamp('last_at').notNullable();
  });
  // The number of this installation: cookies of another one on this machine have another name.
  await db.schema.createTable('installation', (table) => {
    table.uuid('id').primary().defaultTo(db.raw('gen_random_uuid()'));
    table.boolean('single').notNullable().unique().defaultTo(true);
    table.check('single');
  });
  await db('installation').insert({});
  // What is deleted is really gone, its diary, too.
  await db('audit').whereNotIn('owner_id', db('owners').select('id')).delete();
  await db.schema.alterTable('audit', (table) => {
    table.foreign('owner_id').references('owners.id').onDelete('CASCADE');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('audit', (table) => table.dropForeign('owner_id'));
  for (const table of [
    'installation',
    'tries',
    'challenges',
    'passkeys',
    'recovery_codes',
    'codes',
    'sessions',
    'accounts',
  ])
    await db.schema.dropTable(table);
  await db('owners')
    .whereNull('name')
    .update({ name: db.raw('id::text') });
  await db.raw('alter table owners alter column name set not null');
}
