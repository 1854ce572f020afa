import { randomUUID } from 'node:crypto';
import os from 'node:os';
import { QueryTypes } from 'sequelize';
import type { Sequelize, Transaction } from 'sequelize';

/** Of this process: a name by which another on the same machine can see that it is gone. */
const OWNER = `${os.hostname()}/${process.pid}/`;

/** Who makes which live recording. A word holds for some seconds by the database's clock, and is renewed. */
export class Leases {
  private readonly owner = `${OWNER}${randomUUID()}`;

  constructor(
    private readonly sequelize: Sequelize,
    private readonly seconds: number,
  ) {}

  /** Takes it, or renews it; false while it belongs to another that is not gone. */
  async take(liveId: string): Promise<boolean> {
    if (await this.tryTo(liveId, '')) return true;
    const [held] = await this.sequelize.query<{ owner: string }>('SELECT owner FROM live_leases WHERE live_id = :liveId', {
      type: QueryTypes.SELECT,
      replacements: { liveId },
    });
    // a process of this machine that is gone needs not be waited for
    return held !== undefined && isGone(held.owner) && this.tryTo(liveId, held.owner);
  }

  async leave(liveId: string, transaction?: Transaction): Promise<void> {
    await this.sequelize.query('DELETE FROM live_leases WHERE live_id = :liveId AND owner = :owner', {
      replacements: { liveId, owner: this.owner },
      ...(transaction && { transaction }),
    });
  }

  /** In one statement, so that of two servers only one has it. `gone`: an owner that is not waited for. */
  private async tryTo(liveId: string, gone: string): Promise<boolean> {
    const taken = await this.sequelize.query(
      `INSERT INTO live_leases AS held (live_id, owner, until) VALUES (:liveId, :owner, now() + make_interval(secs => :seconds))
       ON CONFLICT (live_id) DO UPDATE SET owner = excluded.owner, until = excluded.until
       WHERE held.owner IN (:owner, :gone) OR held.until < now() RETURNING live_id`,
      { type: QueryTypes.SELECT, replacements: { liveId, owner: this.owner, gone, seconds: this.seconds } },
    );
    return taken.length > 0;
  }
}

/** A process of this machine that does not run any more. */
function isGone(owner: string): boolean {
  const [host, pid] = owner.split('/');
  if (host !== os.hostname() || pid === String(process.pid)) return false;
  try {
    process.kill(Number(pid), 0);
    return false;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'ESRCH';
  }
}
