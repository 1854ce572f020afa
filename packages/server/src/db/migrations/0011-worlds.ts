import { QueryTypes } from 'sequelize';
import type { QueryInterface, Transaction } from 'sequelize';

/** The kinds that there were. */
const KINDS = ['gear', 'rigs', 'days', 'log', 'recordings', 'sheets', 'rules', 'trips'];
/** What identifies a row within its world. */
const KEYS: Readonly<Record<string, string>> = {
  ...Object.fromEntries(KINDS.map((kind) => [kind, 'id'])),
  revisions: 'kind, item_id, revision',
  recording_data: 'recording_id',
  photos: 'id',
  pieces: 'whole_id, place',
};
/** These have identifiers that are made anew each time. */
const ALONE = ['plan_rests', 'live_chunks', 'live_leases'];
const UUID = /[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g;

/**
 * Each row belongs to one world: a person's own, or the demo crew's. What was changed among the demo crew's things, and
 * what own things name of them, comes to the own side; the server then puts the demo crew's back. From now on the database
 * shows a connection the rows of its world only.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const run = (sql: string) => sequelize.query(sql, { transaction });
    for (const table of [...Object.keys(KEYS), ...ALONE]) await run(`ALTER TABLE ${table} ADD COLUMN world text NOT NULL DEFAULT 'own'`);
    for (const kind of KINDS) {
      await run(`UPDATE ${kind} SET world = origin`);
      await run(`UPDATE revisions r SET world = 'demo' FROM ${kind} i WHERE r.kind = '${kind}' AND r.item_id = i.id AND i.origin = 'demo'`);
      await run(`ALTER TABLE ${kind} DROP COLUMN origin`);
    }
    await run(`UPDATE recording_data d SET world = 'demo' FROM recordings r WHERE r.id = d.recording_id AND r.world = 'demo'`);
    await run(
      `UPDATE pieces p SET world = 'demo' FROM recording_data d WHERE p.whole_id IN (d.slots_id, d.original_id) AND d.world = 'demo'`,
    );
    // a photograph is nobody's but the person's who took it
    for (const [table, key] of Object.entries(KEYS)) {
      await run(`ALTER TABLE ${table} DROP CONSTRAINT ${table}_pkey, ADD PRIMARY KEY (world, ${key})`);
    }
    await bringOver(sequelize, transaction);
    await run(`DROP INDEX IF EXISTS photos_gear_id`);
    await run(`CREATE INDEX photos_gear_id ON photos (world, gear_id)`);
    for (const table of [...Object.keys(KEYS), ...ALONE]) {
      // without a world nothing is written
      await run(`ALTER TABLE ${table} ALTER COLUMN world SET DEFAULT current_setting('viaggio.world')`);
      await run(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY, FORCE ROW LEVEL SECURITY`);
      await run(`CREATE POLICY ${table}_of_world ON ${table} USING (world = current_setting('viaggio.world', true))`);
    }
  });
}

interface Row {
  readonly kind: string;
  readonly id: string;
  readonly world: string;
  readonly text: string;
  readonly changed: boolean;
}

/** Copies to the own side what belongs there, under the same identifiers. */
async function bringOver(sequelize: QueryInterface['sequelize'], transaction: Transaction): Promise<void> {
  const select = <T extends object>(sql: string, bind: readonly unknown[] = []) =>
    sequelize.query<T>(sql, { type: QueryTypes.SELECT, transaction, ...(bind.length > 0 && { bind: [...bind] }) });
  // the state in which it came may have been thinned away: then it counts as changed
  const shipped = (kind: string): string =>
    `(SELECT r.body FROM revisions r WHERE r.world = 'demo' AND r.kind = '${kind}' AND r.item_id = i.id AND r.revision = 1)`;
  const all = await select<Row>(
    KINDS.map(
      (kind) => `SELECT '${kind}' AS kind, i.id, i.world, i.body::text AS text,
        (i.revision > 1 AND i.deleted_at IS NULL AND i.body IS DISTINCT FROM ${shipped(kind)}
          OR EXISTS (SELECT 1 FROM photos p WHERE p.gear_id = i.id)) AS changed FROM ${kind} i`,
    ).join(' UNION ALL '),
  );
  const demo = new Map(all.filter(({ world }) => world === 'demo').map((row) => [row.id, row]));
  const wanted = new Map<string, Row>();
  const look = (text: string): void => {
    for (const [id] of text.matchAll(UUID)) take(demo.get(id));
  };
  const take = (row: Row | undefined): void => {
    if (!row || wanted.has(row.id)) return;
    wanted.set(row.id, row);
    look(row.text);
  };
  for (const row of all) {
    if (row.world === 'own') look(row.text);
    else if (row.changed) take(row);
  }
  // an earlier state can be put back, and then names what it named
  const lookInStates = async (where: string, bind: readonly unknown[] = []): Promise<void> => {
    const named = await select<{ id: string }>(
      `SELECT DISTINCT m[1] AS id FROM revisions, regexp_matches(body::text, '${UUID.source}', 'g') AS m WHERE ${where}`,
      bind,
    );
    for (const { id } of named) take(demo.get(id));
  };
  await lookInStates(`world = 'own'`);
  await lookInStates(`world = 'demo' AND item_id = ANY($1::uuid[])`, [[...wanted.keys()]]);
  for (const { kind, id } of wanted.values()) {
    for (const [table, where] of [
      [kind, 'id = $1'],
      ['revisions', `kind = '${kind}' AND item_id = $1`],
      ...(kind === 'recordings'
        ? [
            ['recording_data', 'recording_id = $1'],
            ['pieces', 'whole_id IN (SELECT unnest(ARRAY[slots_id, original_id]) FROM recording_data WHERE recording_id = $1)'],
          ]
        : []),
    ] as const) {
      const columns = await columnsOf(sequelize, table, transaction);
      const sql = `INSERT INTO ${table} (world, ${columns}) SELECT 'own', ${columns} FROM ${table} WHERE world = 'demo' AND ${where}`;
      await sequelize.query(sql, { bind: [id], transaction });
    }
  }
}

async function columnsOf(sequelize: QueryInterface['sequelize'], table: string, transaction: Transaction): Promise<string> {
  const rows = await sequelize.query<{ name: string }>(
    `SELECT column_name AS name FROM information_schema.columns
     WHERE table_schema = current_schema() AND table_name = $1 AND column_name <> 'world' ORDER BY ordinal_position`,
    { type: QueryTypes.SELECT, bind: [table], transaction },
  );
  return rows.map(({ name }) => name).join(', ');
}
