/** Each value with what it is called, for a drop-down; the values keep their type. */
export function choicesOf<T extends string>(options: Readonly<Record<T, string>>): readonly (readonly [T, string])[] {
  return Object.entries(options) as unknown as readonly (readonly [T, string])[];
}
