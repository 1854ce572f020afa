import { ChangeDetectionStrategy, Component, effect, inject, input } from '@angular/core';
import { Router } from '@angular/router';

/** What the code on a tag leads to: its thing in the kit. */
@Component({
  selector: 'app-tag-link',
  template: '<p role="status">Opening …</p>',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TagLink {
  readonly id = input.required<string>();
  private readonly router = inject(Router);

  constructor() {
    effect(() => void this.router.navigate(['/kit'], { queryParams: { item: this.id().toLowerCase() }, replaceUrl: true }));
  }
}
