import type { Fields, OptionalShape, Shape } from '../src/shape/shape';

type Any = Shape | OptionalShape<Shape>;

/** Every number, choice and state in a shape, by the names on the way to it, lists left out. */
export function leafFields(shape: Any, path = ''): readonly string[] {
  const within = (fields: Fields): readonly string[] =>
    Object.entries(fields).flatMap(([name, field]) => leafFields(field, path === '' ? name : `${path}.${name}`));
  switch (shape.kind) {
    case 'optional':
      return leafFields(shape.of, path);
    case 'object':
      return within(shape.fields);
    case 'tagged':
      return Object.entries(shape.variants).flatMap(([variant, fields]) =>
        Object.entries(fields).flatMap(([name, field]) => leafFields(field, [path, variant, name].filter((one) => one !== '').join('.'))),
      );
    case 'list':
      return leafFields(shape.item, path);
    case 'number':
    case 'choice':
    case 'boolean':
      return [path];
    default:
      return [];
  }
}

const OF_ALL = /^(battery|device|adapter|cable|hub|supply|charger)\.(massG|price|away|archived|harmed|changedByHand|borrowed|from)\b/;

/** A field of gear by what it is, whoever has it: `device.modes.draw.maker.powerW` is `draw.maker.powerW`. */
export function fieldOfGear(path: string): string | undefined {
  // not known to this version, kept and never read
  if (/\.unknown\b/.test(path)) return undefined;
  // when it was put on a charger
  if (path.startsWith('battery.plugged')) return undefined;
  return path
    .replace(/^.*\bends\.(source|load)\./, 'connector.')
    .replace(/^.*\bconnector\./, 'connector.')
    .replace(OF_ALL, 'gear.$2')
    .replace(/^(battery|device|hub|supply)\.outputs\./, 'output.')
    .replace(/^(device|hub)\.inputs\./, 'input.')
    .replace(/^(battery|device|hub|supply)\.budgets\./, 'budget.')
    .replace(/^device\.(modes\.)?draw\./, 'draw.')
    .replace(/^device\.(modes|features)\.(needs|limits|peakW)/, 'device.$2');
}
