import { VIEWS } from '../../basics/views';
import { existsSync } from 'node:fs';
import path from 'node:path';
import { TERMS, termOf } from '../../basics/glossary';
import { CHAPTERS, matching } from './guide';

describe('the guide', () => {
  it('has a chapter for each view, in the order of the work', () => {
    expect(CHAPTERS.map(({ title, path }) => [title, path])).toEqual(VIEWS.map(({ title, path }) => [title, path]));
  });

  it('has a picture of each, which ships with it', () => {
    for (const { picture } of CHAPTERS)
      expect([picture, existsSync(path.join('docs/screenshots', `${picture}.png`))]).toEqual([picture, true]);
  });

  it('explains each word once, and each label by one word', () => {
    const terms = TERMS.map(({ term }) => term.toLowerCase());
    expect(new Set(terms).size).toBe(terms.length);
    const labels = TERMS.flatMap((one) => one.labels ?? []);
    expect(new Set(labels).size).toBe(labels.length);
  });

  it('is found by its own name and by what fields call it', () => {
    expect([termOf('Reserve')?.term, termOf('Reserve kept')?.term, termOf('Name')]).toEqual(['Reserve', 'Reserve', undefined]);
  });

  it('is searched by every word, in what it explains too', () => {
    expect(matching(TERMS, 'cells bank').map(({ term }) => term)).toContain('Milliamp-hours (mAh)');
    expect(matching(TERMS, 'no such word')).toEqual([]);
    expect(matching(CHAPTERS, '')).toHaveLength(CHAPTERS.length);
  });
});
