import type { CheckStep } from '@viaggio/core/bench';
import { connectorName } from '@viaggio/core/gear';
import { sayProbes } from '@viaggio/core/words';
import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/** Where the tip of a probe stands, and what that contact is. */
interface Tip {
  readonly x: number;
  readonly y: number;
  readonly sign: string;
}

/** The places of plus and minus, seen from the front; which is which is said where it is known, else the mark decides. */
function tipsOf({ is, connector }: CheckStep): readonly [red: Tip, black: Tip] {
  if (is === 'lead' || is === 'across' || is === 'apart') {
    return is === 'across'
      ? [
          { x: 66, y: 104, sign: '+' },
          { x: 66, y: 140, sign: '−' },
        ]
      : [
          { x: 66, y: 104, sign: '' },
          { x: 254, y: 104, sign: '' },
        ];
  }
  if (connector?.type === 'barrel') {
    const centreIsPlus = connector.polarity !== 'centre-negative';
    const sure = connector.polarity !== undefined;
    const [inner, outer] = [
      { x: 160, y: 122 },
      { x: 206, y: 122 },
    ] as const;
    const [plus, minus] = centreIsPlus ? [inner, outer] : [outer, inner];
    return [
      { ...plus, sign: sure ? '+' : '?' },
      { ...minus, sign: sure ? '−' : '?' },
    ];
  }
  return [
    { x: 84, y: 122, sign: '+' },
    { x: 236, y: 122, sign: '−' },
  ];
}

/** Where red and black go, drawn: the contacts of a plug or a bay from the front, a lead with both ends, two batteries, or an inline meter. */
@Component({
  selector: 'app-probes-drawing',
  template: `
    <svg viewBox="0 0 320 190" role="img" [attr.aria-label]="sayProbes(step().probes)">
      @if (kind() === 'inline') {
        <path class="lead" d="M10 110h70M240 110h70" />
        <rect class="body" x="80" y="76" width="160" height="68" rx="10" />
        <rect class="screen" x="104" y="92" width="84" height="36" rx="4" />
        <text x="146" y="116" text-anchor="middle" class="figure">V A</text>
        <text x="10" y="98" class="word">source</text>
        <text x="310" y="98" text-anchor="end" class="word">device</text>
      } @else {
        @if (kind() === 'lead' || kind() === 'two') {
          <rect class="body" x="30" y="84" width="58" height="76" rx="8" />
          <rect class="body" x="232" y="84" width="58" height="76" rx="8" />
          @if (kind() === 'lead') {
            <path class="conductor" d="M78 104C130 104 190 104 242 104" />
          }
          <path class="conductor" d="M78 140C130 140 190 140 242 140" />
          @for (y of [104, 140]; track y) {
            <circle class="contact" cx="66" [attr.cy]="y" r="8" />
            <circle class="contact" cx="254" [attr.cy]="y" r="8" />
          }
          <text x="40" y="109" class="sign">+</text>
          <text x="40" y="145" class="sign">−</text>
          <text x="280" y="109" text-anchor="end" class="sign">+</text>
          <text x="280" y="145" text-anchor="end" class="sign">−</text>
        } @else if (kind() === 'barrel') {
          <circle class="body" cx="160" cy="122" r="58" />
          <circle class="contact" cx="160" cy="122" r="48" />
          <circle class="hole" cx="160" cy="122" r="30" />
          <circle class="contact" cx="160" cy="122" r="10" />
        } @else {
          <rect class="body" x="40" y="76" width="240" height="92" rx="12" />
          @for (contact of row(); track contact.x) {
            <rect class="contact" [attr.x]="contact.x - 13" y="104" width="26" height="36" rx="4" [class.other]="contact.other" />
          }
        }
        @if (kind() === 'two') {
          <text x="160" y="186" text-anchor="middle" class="word">two batteries, minus joined</text>
        } @else if (kind() !== 'lead') {
          <text x="160" y="186" text-anchor="middle" class="word">{{ seen() }}</text>
        }
        <path class="black" [attr.d]="wire(tips()[1], 232)" />
        <path class="red" [attr.d]="wire(tips()[0], 88)" />
        @if (kind() !== 'lead' && kind() !== 'two') {
          @for (tip of tips(); track $index) {
            <text [attr.x]="tip.x" [attr.y]="kind() === 'barrel' ? tip.y + 6 : 158" text-anchor="middle" class="sign">
              {{ tip.sign }}
            </text>
          }
        }
        <text x="76" y="24" text-anchor="end" class="word">red</text>
        <text x="244" y="24" class="word">black</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      width: 100%;
      max-height: 15rem;
    }
    .body {
      fill: var(--bs-tertiary-bg);
      stroke: var(--bs-border-color);
    }
    .screen,
    .hole {
      fill: var(--bs-body-bg);
      stroke: var(--bs-border-color);
    }
    .contact {
      fill: var(--charge);
      stroke: var(--chart-ink);
    }
    .contact.other {
      opacity: 0.45;
    }
    .lead,
    .conductor {
      fill: none;
      stroke: var(--chart-mark);
      stroke-width: 5;
    }
    .red,
    .black {
      fill: none;
      stroke-width: 6;
      stroke-linecap: round;
    }
    .red {
      stroke: var(--stop);
    }
    .black {
      stroke: var(--bs-body-color);
    }
    text {
      fill: var(--bs-body-color);
      font-size: 12px;
    }
    .sign {
      font-size: 18px;
      font-weight: 700;
    }
    .figure {
      font-size: 14px;
    }
    .word {
      fill: var(--bs-secondary-color);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProbesDrawing {
  protected readonly sayProbes = sayProbes;
  readonly step = input.required<CheckStep>();
  protected readonly kind = computed((): 'inline' | 'lead' | 'two' | 'barrel' | 'contacts' => {
    const { is, connector } = this.step();
    if (is === 'apart') return 'two';
    if (is === 'lead' || is === 'across') return 'lead';
    if (!connector || connector.type === 'usb-a' || connector.type === 'usb-c' || connector.type === 'mains') return 'inline';
    return connector.type === 'barrel' ? 'barrel' : 'contacts';
  });
  protected readonly tips = computed(() => tipsOf(this.step()));
  /** A bay and a mount have other contacts between plus and minus; a plug of two poles has none. */
  protected readonly row = computed(() => {
    const type = this.step().connector?.type;
    const many = type === 'bay' || type === 'l-plate' || type === 'v-mount' || type === 'three-stud';
    return [
      { x: 84, other: false },
      ...(many
        ? [
            { x: 135, other: true },
            { x: 185, other: true },
          ]
        : []),
      { x: 236, other: false },
    ];
  });
  protected readonly seen = computed(() => {
    const { connector } = this.step();
    return connector ? `${connectorName(connector)}, seen from the front` : '';
  });

  /** A probe's lead hangs in from above. */
  protected wire({ x, y }: Tip, from: number): string {
    return `M${from} 6C${from} 60 ${x} 40 ${x} ${y}`;
  }
}
