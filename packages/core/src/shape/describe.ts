import { formatNumber, shownUnit, UNITS } from '../quantity';
import type { NumberShape, Shape } from './shape';

/**
 * What a shape expects, in words that end the sentence "expected …".
 *
 * @example describe(number('Draw', 'W', { above: 0, max: 2000 })) // 'a number of watts more than 0 and at most 2000'
 */
export function describe(shape: Shape): string {
  switch (shape.kind) {
    case 'number':
      return describeNumber(shape);
    case 'text':
      return shape.pattern ? shape.pattern.says : `a text of 1 to ${shape.maxLength} characters`;
    case 'boolean':
      return 'true or false';
    case 'choice':
      return `one of ${Object.keys(shape.options).join(', ')}`;
    case 'list':
      return `a list of ${shape.minItems} to ${shape.maxItems}`;
    case 'tuple':
      return `a list of ${shape.items.length} numbers (${shape.items.map((item) => item.title).join(', ')})`;
    case 'object':
      return `an object with ${Object.keys(shape.fields).join(', ')}`;
    case 'record':
      return 'an object of names and numbers';
    case 'tagged':
      return `an object whose “${shape.tag}” is one of ${Object.keys(shape.variants).join(', ')}`;
    case 'lazy':
      return describe(shape.of());
    case 'any':
      return 'anything';
  }
}

function describeNumber({ unit, min, max, aboveMin, integer }: NumberShape): string {
  const noun = unit === 'count' || integer ? 'a whole number' : unit === 'fraction' ? 'a number' : `a number of ${UNITS[unit].noun}`;
  return `${noun} ${aboveMin ? 'more than' : 'from'} ${plain(min)} ${aboveMin ? 'and at most' : 'to'} ${plain(max)}`;
}

/** The same range in the unit that a person types, for the field on the screen. */
export function describeTyped(shape: NumberShape, bare: 'kept' | 'shown' = 'kept'): string {
  const { unit, min, max, aboveMin } = shape;
  const instead = shownUnit(unit);
  const keeps = bare === 'kept' && instead !== undefined;
  const shown = keeps ? UNITS[unit].symbol : (instead?.symbol ?? UNITS[unit].symbol);
  const symbol = shown === '' ? '' : ` ${shown}`;
  const say = (value: number): string => (keeps ? plain(value) : formatNumber(value, unit));
  const range = `${aboveMin ? 'more than' : 'from'} ${say(min)} ${aboveMin ? 'and at most' : 'to'} ${say(max)}${symbol}`;
  return unit === 'count' ? `a whole number ${range}` : range;
}

function plain(value: number): string {
  return String(value);
}
