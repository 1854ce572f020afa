// The package ships its types where its own list of exports does not lead to.
declare module 'tinykeys' {
  export function tinykeys(target: Window, bindings: Record<string, (event: KeyboardEvent) => void>): () => void;
}
