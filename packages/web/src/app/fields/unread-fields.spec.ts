import { UnreadFields } from './unread-fields';

describe('fields that cannot be read', () => {
  it('are named, each label once, until they can be or are gone', () => {
    const fields = new UnreadFields();
    expect(fields.why()).toBeUndefined();
    fields.tell('figure-1', 'Energy');
    fields.tell('figure-2', 'How many');
    fields.tell('figure-3', 'Energy');
    expect(fields.why()).toBe('Put right, or empty: “Energy”, “How many”.');
    fields.tell('figure-1', undefined);
    fields.tell('figure-3', undefined);
    fields.tell('figure-2', undefined);
    expect(fields.why()).toBeUndefined();
  });
});
