/** One value that was seen, and what it may be off by. */
export interface SeenValue {
  readonly value: number;
  /** Of this one alone, one standard deviation. */
  readonly own: number;
  /** What others may be off by together with it: the same source, the same error, each in its own measure. */
  readonly shared: readonly SharedError[];
  /** What it says of each unknown: 1 for the one that is looked for. Just `[1]` when absent. */
  readonly of?: readonly number[];
}

export interface SharedError {
  readonly source: string;
  /** One standard deviation, below 0 where it goes the other way. */
  readonly sigma: number;
}

/** What values come to together. */
export interface Combined {
  readonly unknowns: readonly number[];
  /** Between the unknowns. */
  readonly covariance: readonly (readonly number[])[];
  /** Of the first unknown: how much each value counts, in all 1. */
  readonly shares: readonly number[];
  /** Of each, standard deviations from what all the others say of it; 0 where they say nothing. */
  readonly away: readonly number[];
  /** The weighted squares of what is left, which are as many as values less unknowns if the errors are right. */
  readonly squares: number;
  /** What was learnt of a shared error: standard deviations of it, and what is left of one. */
  readonly sources: ReadonlyMap<string, { readonly mean: number; readonly sigma: number }>;
}

/** So many shared sources at most are solved together; of more, the largest groups. */
const MOST_SOURCES = 250;
const LEAST_SIGMA = 1e-9;

/**
 * The best combination of values whose errors are partly shared (generalised least squares, with the covariance as a
 * diagonal and a few factors: Woodbury's identity). Twelve tests of one battery do not make it better known.
 *
 * Preconditions: at least as many values as unknowns, and each unknown seen by one. Cost: values × sources², sources³.
 *
 * @example combined([{ value: 9, own: 1, shared: [] }, { value: 11, own: 1, shared: [] }]).unknowns // [10]
 */
export function combined(values: readonly SeenValue[]): Combined {
  const sources = sourcesOf(values);
  const places = new Map(sources.map((source, place) => [source, place]));
  // what nobody shares is its own
  const precision = values.map(
    ({ own, shared }) =>
      1 / Math.max(LEAST_SIGMA, Math.hypot(own, ...shared.filter(({ source }) => !places.has(source)).map(({ sigma }) => sigma))) ** 2,
  );
  const factors = values.map(({ shared }) =>
    shared.flatMap(({ source, sigma }) => {
      const place = places.get(source);
      return place === undefined || sigma === 0 ? [] : [{ place, sigma }];
    }),
  );
  const inner = inverse(innerOf(factors, precision, sources.length));
  /** The inverse of the covariance, times a column. */
  const solved = (column: readonly number[]): readonly number[] => {
    const weighed = new Float64Array(sources.length);
    column.forEach((value, at) => {
      for (const { place, sigma } of factors[at]!) weighed[place]! += sigma * precision[at]! * value;
    });
    const back = inner.map((row) => row.reduce((sum, one, at) => sum + one * weighed[at]!, 0));
    return column.map(
      (value, at) => precision[at]! * (value - factors[at]!.reduce((sum, { place, sigma }) => sum + sigma * back[place]!, 0)),
    );
  };
  const width = values[0]?.of?.length ?? 1;
  const design = Array.from({ length: width }, (_, unknown) => values.map(({ of = [1] }) => of[unknown]!));
  const designSolved = design.map((column) => solved(column));
  const information = design.map((column) => designSolved.map((other) => dot(column, other)));
  const covariance = inverse(information);
  const seen = values.map(({ value }) => value);
  const seenSolved = solved(seen);
  const right = design.map((column) => dot(column, seenSolved));
  const unknowns = covariance.map((row) => dot(row, right));
  const left = seen.map((value, at) => value - unknowns.reduce((sum, one, unknown) => sum + one * design[unknown]![at]!, 0));
  const leftSolved = solved(left);
  const away = values.map((_, at) => {
    const own =
      precision[at]! -
      precision[at]! ** 2 *
        factors[at]!.reduce(
          (sum, a) => sum + factors[at]!.reduce((inside, b) => inside + a.sigma * b.sigma * inner[a.place]![b.place]!, 0),
          0,
        );
    const by = designSolved.map((column) => column[at]!);
    const free = own - by.reduce((sum, one, a) => sum + by.reduce((inside, other, b) => inside + one * other * covariance[a]![b]!, 0), 0);
    return free > 1e-9 * precision[at]! ? Math.abs(leftSolved[at]!) / Math.sqrt(free) : 0;
  });
  return {
    unknowns,
    covariance,
    shares: values.map((_, at) => designSolved.reduce((sum, column, unknown) => sum + covariance[0]![unknown]! * column[at]!, 0)),
    away,
    squares: dot(left, leftSolved),
    sources: learntOf(sources, factors, precision, left, inner),
  };
}

/** What at least two values share, the most shared first. */
function sourcesOf(values: readonly SeenValue[]): readonly string[] {
  const counts = new Map<string, number>();
  for (const { shared } of values) for (const { source } of shared) counts.set(source, (counts.get(source) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => count > 1)
    .sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0]))
    .slice(0, MOST_SOURCES)
    .map(([source]) => source);
}

type Factors = readonly (readonly { readonly place: number; readonly sigma: number }[])[];

function innerOf(factors: Factors, precision: readonly number[], count: number): number[][] {
  const rows = Array.from({ length: count }, (_, place) => Array.from({ length: count }, (__, other) => (place === other ? 1 : 0)));
  factors.forEach((own, at) => {
    for (const a of own) for (const b of own) rows[a.place]![b.place]! += a.sigma * b.sigma * precision[at]!;
  });
  return rows;
}

function learntOf(
  sources: readonly string[],
  factors: Factors,
  precision: readonly number[],
  left: readonly number[],
  inner: readonly (readonly number[])[],
): Combined['sources'] {
  const weighed = new Float64Array(sources.length);
  left.forEach((value, at) => {
    for (const { place, sigma } of factors[at]!) weighed[place]! += sigma * precision[at]! * value;
  });
  return new Map(
    sources.map((source, place) => [
      source,
      { mean: inner[place]!.reduce((sum, one, at) => sum + one * weighed[at]!, 0), sigma: Math.sqrt(inner[place]![place]!) },
    ]),
  );
}

function dot(one: readonly number[], other: readonly number[]): number {
  let sum = 0;
  for (let at = 0; at < one.length; at++) sum += one[at]! * other[at]!;
  return sum;
}

/** Of a symmetric positive matrix (Gauss and Jordan). */
function inverse(matrix: readonly (readonly number[])[]): number[][] {
  const size = matrix.length;
  const rows = matrix.map((row, at) => Float64Array.from([...row, ...Array.from({ length: size }, (_, other) => (at === other ? 1 : 0))]));
  for (let pivot = 0; pivot < size; pivot++) {
    const own = rows[pivot]!;
    const scale = own[pivot]!;
    for (let at = 0; at < 2 * size; at++) own[at]! /= scale;
    rows.forEach((row, other) => {
      const by = row[pivot]!;
      if (other === pivot || by === 0) return;
      for (let at = pivot; at < 2 * size; at++) row[at]! -= by * own[at]!;
    });
  }
  return rows.map((row) => [...row.subarray(size)]);
}
