/** Why nothing is recorded in a block, though there is power. */
export type Unrecorded = 'card-full' | 'card-change' | 'too-hot' | 'take-over';
