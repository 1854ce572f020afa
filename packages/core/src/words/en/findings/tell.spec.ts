import { readFileSync } from 'node:fs';
import path from 'node:path';
import { SAMPLES } from '../../../../testing/finding-samples';
import type { Finding, FindingCode } from '../../../findings/facts';
import { finding } from '../../../findings/finding';
import { tell, WORDINGS } from './tell';

const codes = Object.keys(WORDINGS) as FindingCode[];
const place = { aspect: 'run', role: 'rig', part: 'Wheelhouse' } as const;

/** Every form of every sentence, with each verdict it could carry. */
function samplesOf(code: FindingCode): readonly Finding[] {
  return SAMPLES[code].flatMap((facts) => (['caution', 'stop'] as const).map((verdict) => finding(code, verdict, place, facts)));
}

/** Longer than this is not read on set. */
const LONGEST_SENTENCE = 260;
const LONGEST_REMEDY = 200;
/** A figure without its unit: a number at the end of a sentence or before a comma, with nothing behind it. */
const BARE_DECIMAL = /\d\.\d+(?! ?(times |V|A|W|Wh|Ah|%|mm|mm²|g|kg|min|h|°|s|Ω|mΩ|deg)|\d)/;
/** Words that the glossary replaced: docs/glossary.md. */
const REPLACED = /asks? for more than|is asked for|it ends there|gives out|nobody said|anew|take it back/i;

describe.each(codes)('%s', (code) => {
  it('is told in a sentence of trade English, with units and nothing left open', () => {
    expect(samplesOf(code).length).toBeGreaterThan(0);
    for (const sample of samplesOf(code)) {
      const { sentence, remedy, numbers } = tell(sample);
      for (const text of [sentence, ...(remedy === undefined ? [] : [remedy])]) {
        expect(text).not.toMatch(/undefined|NaN|Infinity|null|\$\{|\[object| {2}|,\s*[.;]/);
        expect(text).not.toMatch(BARE_DECIMAL);
        expect(text).not.toMatch(REPLACED);
        expect(text).toMatch(/[.!]$/);
      }
      expect(sentence.length).toBeLessThanOrEqual(LONGEST_SENTENCE);
      expect((remedy ?? '').length).toBeLessThanOrEqual(LONGEST_REMEDY);
      for (const { value } of numbers) expect(Number.isFinite(value)).toBe(true);
    }
  });

  it('says what to do wherever it is not good', () => {
    const isGood = /-fits$|^lasts$/.test(code);
    for (const sample of samplesOf(code)) expect(tell(sample).remedy === undefined).toBe(isGood);
  });
});

describe('docs/findings.md', () => {
  const text = readFileSync(path.join(__dirname, '../../../../../../docs/findings.md'), 'utf8');

  it('is as the words say: every code with its meaning, and no other', () => {
    const listed = [...text.matchAll(/^\| `([a-z-]+)` +\| (.+?) +\|/gm)].map(([, code, means]) => [code, means]);
    expect(Object.fromEntries(listed)).toEqual(Object.fromEntries(Object.entries(WORDINGS).map(([code, { means }]) => [code, means])));
  });
});
