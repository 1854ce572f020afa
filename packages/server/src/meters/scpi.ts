/**
 * The little of SCPI (1999.0) and IEEE 488.2 that reading a meter takes: long and short forms of a header, numeric answers,
 * the error queue.
 */

/** Pattern of a header in its long and short forms, such as `MEASure:VOLTage[:DC]?`: capitals must stand, [:NODE] may. */
export function headerPattern(header: string): RegExp {
  const nodes = header.replaceAll(/\[:(\w+)\]/g, '~$1').split(/(?=[:~?])/);
  const pattern = nodes.map((node) => {
    if (node === '?') return '\\?';
    const [, mark = '', letters = ''] = /^([:~*]?)(\w+)$/.exec(node) ?? [];
    const short = letters.replaceAll(/[a-z]/g, '');
    const long = `${short}(?:${letters.slice(short.length).toUpperCase()})?`;
    if (mark === '~') return `(?::${long})?`;
    return `${mark === '*' ? '\\*' : mark}${long}`;
  });
  return new RegExp(`^:?${pattern.join('')}$`, 'i');
}

/** SCPI's own values for “not a number” and infinity. */
const NOT_A_NUMBER = 9.9e37;

/** A numeric answer (NR1 to NR3); undefined for anything else, and for the values that stand for no number. */
export function numberOf(answer: string): number | undefined {
  if (!/^[+-]?(\d+\.?\d*|\.\d+)(E[+-]?\d+)?$/i.test(answer.trim())) return undefined;
  const value = Number(answer);
  return Math.abs(value) >= NOT_A_NUMBER ? undefined : value;
}

/** An entry of the error queue: `-113,"Undefined header"`. */
export function errorOf(answer: string): { readonly code: number; readonly says: string } | undefined {
  const [, code, says] = /^([+-]?\d+),\s*"(.*)"$/.exec(answer.trim()) ?? [];
  return code === undefined ? undefined : { code: Number(code), says: says! };
}
