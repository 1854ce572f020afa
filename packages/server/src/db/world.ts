/**
 * Whose things they are: a person's own kit, or the demo crew's. Every row belongs to one, and the database itself keeps
 * them apart: a connection is of one world, and sees and writes its rows alone.
 */
export const WORLDS = ['own', 'demo'] as const;
export type World = (typeof WORLDS)[number];

/** The migration by which they came apart. */
export const WORLDS_CAME = '0011-worlds';

/** What a connection says to the database at its beginning; rows that it writes take it from there. */
export const WORLD_SETTING = 'viaggio.world';
