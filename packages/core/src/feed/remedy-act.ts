/** One change to a rig that takes a finding away, by what it does; names are as a person tells pieces of gear apart. */
export type RemedyAct =
  | { readonly act: 'use-output'; readonly output: string; readonly part: string }
  | { readonly act: 'use-cable'; readonly cable: string }
  | { readonly act: 'use-part'; readonly part: string }
  | { readonly act: 'turn-down'; readonly device: string; readonly scale: number }
  | { readonly act: 'change-mode'; readonly device: string; readonly mode: string | undefined }
  | { readonly act: 'charge'; readonly battery: string }
  | { readonly act: 'carry'; readonly spares: readonly string[] }
  | { readonly act: 'feed'; readonly device: string; readonly feed: string };
