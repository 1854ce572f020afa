import { QueryTypes } from 'sequelize';
import type { Database } from '../db/database';

/** Samples that no recording came for: an import that was cancelled. A day is left, so that none is swept from under one that goes on. */
export async function sweepRecordingData({ sequelize }: Database): Promise<number> {
  const swept = await sequelize.query(
    `DELETE FROM recording_data d WHERE d.saved_at < now() - interval '1 day'
     AND NOT EXISTS (SELECT 1 FROM recordings r WHERE r.id = d.recording_id) RETURNING d.recording_id`,
    { type: QueryTypes.SELECT },
  );
  return swept.length;
}
