import type { Output } from './solve';

/** A rig of a plan by its identifier or its name; told with those that there are where there is none. */
export function rigIn<R extends { readonly id: string; readonly body: { readonly name: string } }>(
  plan: { readonly rigs: readonly R[] },
  rigId: string,
  err: Output['err'],
): R | undefined {
  const rig = plan.rigs.find(({ id, body }) => id === rigId || body.name === rigId);
  if (!rig)
    err(`--rig: expected one of ${plan.rigs.map(({ id, body }) => `${id} (${body.name})`).join(', ')}; got “${rigId.slice(0, 60)}”.`);
  return rig;
}
