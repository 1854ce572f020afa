import { readFileSync } from 'node:fs';
import path from 'node:path';
import { chartColours } from './chart-look';

const STYLES = readFileSync(path.join(__dirname, '../../tokens.scss'), 'utf8');

describe('colours of charts', () => {
  it('come from the tokens, and both themes have every one of them', () => {
    const sheet = document.createElement('style');
    sheet.textContent = STYLES.match(/\[data-bs-theme='(light|dark)'\] \{[^}]*\}/g)!
      .slice(0, 2)
      .join('\n');
    document.head.append(sheet);
    for (const dark of [false, true]) {
      const { series, ...others } = chartColours(dark);
      expect(series).toHaveLength(8);
      for (const colour of [...series, ...Object.values(others)]) expect(colour).toMatch(/^#[0-9a-f]{6}$/);
      expect(new Set(series).size).toBe(8);
    }
    expect(chartColours(false).ink).not.toBe(chartColours(true).ink);
    sheet.remove();
  });
});
