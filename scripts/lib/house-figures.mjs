// Figures of the sources, read as syntax: long functions, `!`, casts, sentences outside words, names that are public.
import ts from 'typescript';
import { read } from './house-files.mjs';

const CORE = 'packages/core/src';
/** Sentences may stand here: words, what people made up or may copy into their kit, and what is read or told by field. */
const MAY_SPEAK = new RegExp(`^${CORE}/(words|demo|gear/generic|tables|entries)/`);

/** @returns what is found in core, and of long functions in all sources */
export function figuresOf(inCore, sources, mostLines) {
  const found = { longFunctions: [], nonNull: 0, casts: 0, prose: [] };
  for (const file of sources) {
    const source = parsed(file);
    const isCore = inCore.includes(file);
    visit(source, (node) => {
      if (isFunction(node)) {
        const [from, to] = [node.getStart(source), node.end].map((at) => source.getLineAndCharacterOfPosition(at).line);
        if (to - from + 1 > mostLines) found.longFunctions.push(`${file}:${from + 1}: ${to - from + 1} lines`);
      }
      if (!isCore) return;
      if (ts.isNonNullExpression(node)) found.nonNull++;
      if (ts.isAsExpression(node) && node.type.getText(source) !== 'const') found.casts++;
      if (!MAY_SPEAK.test(file) && isSentence(node, source))
        found.prose.push(`${file}:${source.getLineAndCharacterOfPosition(node.pos).line + 1}`);
    });
  }
  return found;
}

function isFunction(node) {
  return (
    (ts.isFunctionDeclaration(node) || ts.isMethodDeclaration(node) || ts.isArrowFunction(node) || ts.isFunctionExpression(node)) &&
    node.body !== undefined
  );
}

/** A text that ends as a sentence does. Errors thrown to programmers, and what was expected of a field, are none. */
function isSentence(node, source) {
  if (!ts.isStringLiteral(node) && !ts.isNoSubstitutionTemplateLiteral(node) && !ts.isTemplateExpression(node)) return false;
  const text = node
    .getText(source)
    .slice(1, -1)
    .replace(/\$\{[^}]*\}/g, 'X');
  if (!/^[A-Z“X].*[.!?]$/s.test(text) || text.split(/\s+/).length < 4) return false;
  for (let up = node.parent; up; up = up.parent) if (ts.isThrowStatement(up)) return false;
  return true;
}

/** The names of the entries, those that no package uses, and functions among them that have no example. */
export function namesOf(entries, files) {
  const used = new Map();
  for (const file of files.filter((one) => !one.startsWith(`${CORE}/`)).concat(testing())) {
    for (const [, names, entry] of read(file).matchAll(/import (?:type )?\{([^}]*)\} from '@viaggio\/core\/([a-z]+)'/g))
      for (const name of names.split(',')) {
        const [given] = name.trim().split(' as ');
        if (given !== '') used.set(`${entry} ${given}`, true);
      }
  }
  const all = Object.keys(entries)
    .flatMap((entry) =>
      [...read(`${CORE}/entries/${entry}.ts`).matchAll(/export (type )?\{([^}]*)\}/g)].flatMap(([, isType, names]) =>
        names.split(',').map((name) => ({ entry, name: name.trim(), isType: isType !== undefined })),
      ),
    )
    .filter(({ name }) => name !== '');
  const examples = examplesOf(files.filter((file) => file.startsWith(`${CORE}/`)));
  return {
    publicNames: all.length,
    unused: all.filter(({ entry, name }) => !used.has(`${entry} ${name}`)).map(({ entry, name }) => `${entry}/${name}`),
    withoutExample: all.filter(({ name, isType }) => !isType && examples.get(name) === false).map(({ name }) => name),
  };
}

const testing = () => [];

/** Whether each exported function has an example. */
function examplesOf(files) {
  const found = new Map();
  for (const file of files)
    for (const statement of parsed(file).statements)
      if (ts.isFunctionDeclaration(statement) && statement.name && ts.getCombinedModifierFlags(statement) & ts.ModifierFlags.Export)
        found.set(statement.name.text, /@example/.test(read(file).slice(statement.pos, statement.getStart())));
  return found;
}

const trees = new Map();
function parsed(file) {
  if (!trees.has(file)) trees.set(file, ts.createSourceFile(file, read(file), ts.ScriptTarget.Latest, true));
  return trees.get(file);
}

function visit(node, see) {
  see(node);
  ts.forEachChild(node, (child) => visit(child, see));
}
