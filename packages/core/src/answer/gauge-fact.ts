/** Why a gauge can be believed, or not. */
export type GaugeFact =
  | { readonly fact: 'held-full' | 'blind'; readonly adapter: string }
  | { readonly fact: 'changed'; readonly part: string }
  | { readonly fact: 'not-entered' | 'none' }
  | { readonly fact: 'counts'; readonly steps: number }
  /** `offBy`: the largest error beside its steps, as a share of the charge. */
  | { readonly fact: 'reads-volts'; readonly offBy: number };
