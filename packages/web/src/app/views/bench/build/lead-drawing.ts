import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, input, viewChild } from '@angular/core';
import { connectorName } from '@viaggio/core/gear';
import type { Connector } from '@viaggio/core/gear';

/** A lead as it is built: both ends with their plus, the fuse near the source, lengths; colours by function. */
@Component({
  selector: 'app-lead-drawing',
  template: `
    <svg #svg viewBox="0 0 640 190" role="img" [attr.aria-label]="'A lead of ' + wire() + ', ' + length() + ', fuse at the source’s plus'">
      <rect class="shell" x="10" y="52" width="110" height="96" rx="10" />
      <rect class="shell" x="520" y="52" width="110" height="96" rx="10" />
      <rect class="relief" x="120" y="78" width="22" height="44" rx="4" />
      <rect class="relief" x="498" y="78" width="22" height="44" rx="4" />
      <path class="plus" d="M92 82H190M252 82H548" />
      <path class="minus" d="M92 118H548" />
      <rect class="fuse" x="190" y="70" width="62" height="24" rx="5" />
      <text x="221" y="87" text-anchor="middle" class="figure">{{ fuse() }}</text>
      <text x="221" y="60" text-anchor="middle" class="word">fuse, close to the source</text>
      @for (end of [78, 562]; track end) {
        <circle class="contact" [attr.cx]="end" cy="82" r="9" />
        <circle class="contact" [attr.cx]="end" cy="118" r="9" />
      }
      <text x="46" y="88" class="sign">+</text>
      <text x="46" y="124" class="sign">−</text>
      <text x="586" y="88" class="sign">+</text>
      <text x="586" y="124" class="sign">−</text>
      <text x="65" y="42" text-anchor="middle" class="strong">source</text>
      <text x="575" y="42" text-anchor="middle" class="strong">load</text>
      <text x="10" y="168" class="word">{{ nameOf(source()) }}</text>
      <text x="630" y="168" text-anchor="end" class="word">{{ nameOf(load()) }}</text>
      <text x="390" y="74" text-anchor="middle" class="figure">plus, {{ wire() }}</text>
      <text x="390" y="138" text-anchor="middle" class="figure">minus, the same, another colour</text>
      <path class="measure" d="M142 176H498M142 170v12M498 170v12" />
      <text x="320" y="168" text-anchor="middle" class="figure">{{ length() }}</text>
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      min-width: 32rem;
    }
    .shell {
      fill: var(--bs-tertiary-bg);
      stroke: var(--chart-ink);
    }
    .relief {
      fill: var(--chart-mark);
    }
    .fuse {
      fill: var(--bs-body-bg);
      stroke: var(--stop);
      stroke-width: 2;
    }
    .plus {
      stroke: var(--stop);
      stroke-width: 6;
      fill: none;
    }
    .minus {
      stroke: var(--bs-body-color);
      stroke-width: 6;
      fill: none;
    }
    .contact {
      fill: var(--charge);
      stroke: var(--chart-ink);
    }
    .measure {
      stroke: var(--chart-mark);
      fill: none;
    }
    text {
      fill: var(--bs-body-color);
      font-size: 13px;
    }
    .sign {
      font-size: 22px;
      font-weight: 700;
    }
    .strong {
      font-weight: 600;
    }
    .word {
      fill: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeadDrawing {
  readonly source = input.required<Connector>();
  readonly load = input.required<Connector>();
  readonly wire = input.required<string>();
  readonly length = input.required<string>();
  readonly fuse = input.required<string>();
  protected readonly nameOf = connectorName;
  private readonly drawn = viewChild.required<ElementRef<SVGSVGElement>>('svg');

  svg(): SVGSVGElement {
    return this.drawn().nativeElement;
  }
}
