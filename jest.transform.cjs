// @swc/jest, with globals that arithmetic is full of kept in a constant of each module: where Jest runs modules in a
// context of their own every look at a global is a call, and a search that takes a second takes ten.
const { createTransformer } = require('@swc/jest');

const GLOBALS = ['Array', 'Float64Array', 'Infinity', 'Map', 'Math', 'Number', 'Set'];
const KEPT = `const {${GLOBALS.join(',')}}=globalThis;`;

module.exports = {
  createTransformer(options) {
    const swc = createTransformer(options);
    return {
      ...swc,
      process: (...source) => {
        const result = swc.process(...source);
        // on the line of the directive, so that lines stay what they are
        return { ...result, code: result.code.replace(/^"use strict";/, (directive) => directive + KEPT) };
      },
    };
  },
};
