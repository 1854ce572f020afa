import { ENGLISH } from './en/english';

/** What every language says: another one is a folder beside `en` with an object of this type. */
export type Words = typeof ENGLISH;

const LANGUAGES = { en: ENGLISH } as const satisfies Readonly<Record<string, Words>>;
export type Language = keyof typeof LANGUAGES;

/**
 * The words of a language.
 *
 * @example wordsIn('en').sayTap({ code: 'tap-dead', numbers: { group: 2 } }) // 'Group 2 shows nothing: a tap is off, or the group is dead.'
 */
export function wordsIn(language: Language): Words {
  return LANGUAGES[language];
}
