/** `Saved gear item` as `SavedGearItem`: a name that programs can have. */
export function pascal(title: string): string {
  return title
    .split(/[^A-Za-z0-9]+/)
    .filter((word) => word !== '')
    .map((word) => word[0]!.toUpperCase() + word.slice(1))
    .join('');
}
