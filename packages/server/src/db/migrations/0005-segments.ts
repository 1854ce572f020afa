import type { QueryInterface } from 'sequelize';

/**
 * A steady part of a meter's recording is called a segment, no longer a stretch: version 2 of the plan document. Every
 * kept state is brought along, deleted items and revisions too, so that each can still be restored.
 */
export async function up({ sequelize }: QueryInterface): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const run = (sql: string) => sequelize.query(sql, { transaction });
    for (const table of ['log', 'revisions'])
      await run(`UPDATE ${table} SET body = jsonb_set(body, '{kind}', '"segment"') WHERE body->>'kind' = 'stretch'`);
    for (const table of ['recordings', 'revisions'])
      await run(
        `UPDATE ${table} SET body = (body - 'stretches') || jsonb_build_object('segments', body->'stretches') WHERE body ? 'stretches'`,
      );
  });
}
