import { assessModel, criteriaOf, rigModel, titleOf } from '@viaggio/core/answer';
import type { Verdict } from '@viaggio/core/answer';
import { linksTo, withoutSpares } from '@viaggio/core/gear';
import type { Gear, Rig } from '@viaggio/core/gear';
import type { Compared } from './column';

/** More than this nobody holds beside one another. */
export const MOST_BESIDE = 6;

export interface RigColumn extends Compared {
  readonly verdict: Verdict;
  readonly feeds: readonly string[];
}

/** One's own rigs as columns, each weighed to its first swap. */
export function rigColumns(
  rigs: readonly { readonly id: string; readonly body: Rig }[],
  gear: ReadonlyMap<string, Gear>,
): readonly RigColumn[] {
  return rigs.slice(0, MOST_BESIDE).map(({ id, body }) => {
    const model = rigModel(withoutSpares(body, gear), gear);
    const answer = assessModel(model, { trace: false });
    const feeds = body.devices.map(
      ({ gearId }) => `${gear.get(gearId)?.name ?? 'gone'}: ${titleOf(linksTo(body, gearId), gear) || 'nothing'}`,
    );
    return { key: id, title: body.name, criteria: criteriaOf(model.resolved, answer), verdict: answer.verdict, feeds };
  });
}
