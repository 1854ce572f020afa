import { ITEM_KINDS, PLAN_KINDS } from '@viaggio/core/document';
import type { Shape } from '@viaggio/core/units';
import { changesShape } from './changes/changes-shape';
import { checkedBody } from './http/json-body';
import type { LargeBodies } from './http/router';
import type { Task } from './threads/task';
import type { Work } from './threads/work';

/** Shapes of bodies that may be large: a thread that is asked to check one knows it by its name. */
const SHAPES: Readonly<Record<string, Shape>> = {
  changes: changesShape,
  ...Object.fromEntries(PLAN_KINDS.map((kind) => [kind, ITEM_KINDS[kind].shape])),
};

export const CHECK_BODY: Task<{ readonly shape: string; readonly bytes: Uint8Array }, unknown> = {
  name: 'checkBody',
  isShort: true,
  run: ({ shape, bytes }) => checkedBody(SHAPES[shape]!, bytes),
};

/** Large bodies are checked by `work`; the others where they come. */
export function largeBodies(work: Work): LargeBodies {
  return (shape, bytes, signal) => {
    const name = Object.keys(SHAPES).find((one) => SHAPES[one] === shape);
    return name === undefined ? undefined : work.run(CHECK_BODY, { shape: name, bytes }, signal);
  };
}
