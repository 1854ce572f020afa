import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';

/** The kinds that there were. */
const KINDS = ['gear', 'rigs', 'days', 'log', 'recordings', 'sheets', 'rules', 'trips'];
const PIECE_BYTES = 1024 * 1024;

/**
 * Items get a place, so that what was imported keeps its order. Samples and originals of recordings are kept in pieces,
 * so that none is ever whole in memory.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const run = (sql: string) => sequelize.query(sql, { transaction });
    for (const table of KINDS) {
      await run(`ALTER TABLE ${table} ADD COLUMN place integer`);
      await run(`UPDATE ${table} t SET place = o.place FROM
        (SELECT id, row_number() OVER (ORDER BY created_at, id) AS place FROM ${table}) o WHERE o.id = t.id`);
      await run(`CREATE SEQUENCE ${table}_place_seq OWNED BY ${table}.place`);
      await run(`SELECT setval('${table}_place_seq', (SELECT coalesce(max(place), 0) + 1 FROM ${table}), false)`);
      await run(`ALTER TABLE ${table} ALTER COLUMN place SET DEFAULT nextval('${table}_place_seq'), ALTER COLUMN place SET NOT NULL`);
    }
    await sequelize.getQueryInterface().createTable(
      'pieces',
      {
        whole_id: { type: DataTypes.UUID, primaryKey: true },
        place: { type: DataTypes.INTEGER, primaryKey: true },
        bytes: { type: DataTypes.BLOB, allowNull: false },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      },
      { transaction },
    );
    for (const [part, required] of [
      ['slots', true],
      ['original', false],
    ] as const) {
      await run(`ALTER TABLE recording_data ADD COLUMN ${part}_id uuid, ADD COLUMN ${part}_bytes integer`);
      await run(`UPDATE recording_data SET ${part}_id = gen_random_uuid(), ${part}_bytes = length(${part}) WHERE ${part} IS NOT NULL`);
      await run(`INSERT INTO pieces (whole_id, place, bytes, saved_at)
        SELECT ${part}_id, n, substring(${part} FROM n * ${PIECE_BYTES} + 1 FOR ${PIECE_BYTES}), saved_at
        FROM recording_data, generate_series(0, (length(${part}) - 1) / ${PIECE_BYTES}) AS n WHERE ${part} IS NOT NULL`);
      await run(`ALTER TABLE recording_data DROP COLUMN ${part}`);
      if (required) await run(`ALTER TABLE recording_data ALTER COLUMN ${part}_id SET NOT NULL, ALTER COLUMN ${part}_bytes SET NOT NULL`);
    }
  });
}
