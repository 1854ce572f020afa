import { computed, Injectable, signal } from '@angular/core';

/**
 * The fields of a page in which something stands that cannot be read. A page that adds or keeps what was typed provides it,
 * and waits for them: what it would take otherwise is the figure of before, which nobody sees any more.
 */
@Injectable()
export class UnreadFields {
  private readonly fields = signal<ReadonlyMap<object, string>>(new Map());
  /** Why nothing can be added yet; undefined where all is read. */
  readonly why = computed(() => {
    const labels = [...new Set(this.fields().values())];
    return labels.length === 0 ? undefined : `Put right, or empty: ${labels.map((label) => `“${label}”`).join(', ')}.`;
  });

  /** `label`: of that field; undefined once it is read, or gone. */
  tell(field: object, label: string | undefined): void {
    if (this.fields().get(field) === label) return;
    this.fields.update((before) => {
      const next = new Map(before);
      if (label === undefined) next.delete(field);
      else next.set(field, label);
      return next;
    });
  }
}
