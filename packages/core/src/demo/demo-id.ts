/** Identifiers of what ships: recognisable, and the same at every reset. */
export const demoId = (number: number): string => `0d0c0000-0000-4000-8000-${String(number).padStart(12, '0')}`;
