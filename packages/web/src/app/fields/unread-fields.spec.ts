import { UnreadFields } from './unread-fields';

describe('fields that cannot be read', () => {
  it('are named, each label once, until they can be or are gone', () => {
    const fields = new UnreadFields();
    expect(fields.why()).toBeUndefined();
    const [one, two, three] = [{}, {}, {}];
    fields.tell(one, 'Energy');
    fields.tell(two, 'How many');
    fields.tell(three, 'Energy');
    expect(fields.why()).toBe('Put right, or empty: “Energy”, “How many”.');
    fields.tell(one, undefined);
    fields.tell(three, undefined);
    fields.tell(two, undefined);
    expect(fields.why()).toBeUndefined();
  });
});
