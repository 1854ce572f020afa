import type { Output } from './solve';

interface Named {
  readonly id: string;
  readonly body: { readonly name: string };
}

/** An item of a plan by its identifier or its name; told with those that there are where there is none. */
export function itemIn<I extends Named>(
  option: 'rig' | 'day' | 'trip',
  items: readonly I[],
  asked: string,
  err: Output['err'],
): I | undefined {
  const item = items.find(({ id, body }) => id === asked || body.name === asked);
  if (item) return item;
  const there =
    items.length === 0
      ? `a ${option}, and the file holds none`
      : `one of ${items.map(({ id, body }) => `${id} (${body.name})`).join(', ')}`;
  err(`--${option}: expected ${there}; got “${asked.slice(0, 60)}”.`);
  return undefined;
}

export function rigIn<R extends Named>(plan: { readonly rigs: readonly R[] }, rigId: string, err: Output['err']): R | undefined {
  return itemIn('rig', plan.rigs, rigId, err);
}
