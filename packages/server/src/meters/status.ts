/** Bits of the standard event status register (IEEE 488.2, 11.5.1). */
const EVENT = { operationComplete: 1, query: 4, device: 8, execution: 16, command: 32, powerOn: 128 };
/** Bits of the status byte (11.2, and SCPI-99 20.2 for the error queue). */
const STATUS = { errorQueue: 4, messageAvailable: 16, eventSummary: 32, masterSummary: 64 };
const MOST_ERRORS = 10;
const OVERFLOW = '-350,"Queue overflow"';
const NO_ERROR = '0,"No error"';

/** Status registers and error queue of an instrument, as IEEE 488.2 and SCPI-99 have them. */
export class Status {
  private event = EVENT.powerOn;
  private eventEnable = 0;
  private serviceEnable = 0;
  private readonly errors: string[] = [];

  /** An entry of the queue; with more than there is room for, the last one says so. */
  put(code: number, says: string): void {
    this.event |=
      code <= -100 && code > -200
        ? EVENT.command
        : code <= -200 && code > -300
          ? EVENT.execution
          : code <= -400
            ? EVENT.query
            : EVENT.device;
    if (this.errors.length < MOST_ERRORS) this.errors.push(`${code},"${says}"`);
    else this.errors[MOST_ERRORS - 1] = OVERFLOW;
  }

  /** The oldest error, taken out. */
  next(): string {
    return this.errors.shift() ?? NO_ERROR;
  }

  get waiting(): number {
    return this.errors.length;
  }

  /** `*CLS`: events and errors, not what is enabled. */
  clear(): void {
    this.event = 0;
    this.errors.length = 0;
  }

  complete(): void {
    this.event |= EVENT.operationComplete;
  }

  /** `*ESR?`: read and cleared. */
  takeEvents(): number {
    const { event } = this;
    this.event = 0;
    return event;
  }

  get enabled(): { readonly events: number; readonly service: number } {
    return { events: this.eventEnable, service: this.serviceEnable };
  }

  enableEvents(mask: number): void {
    this.eventEnable = mask;
  }

  /** Bit 6 cannot be enabled. */
  enableService(mask: number): void {
    this.serviceEnable = mask & ~STATUS.masterSummary;
  }

  /** `*STB?`. `answers`: something waits to be read. */
  byte(answers: boolean): number {
    const byte =
      (this.errors.length > 0 ? STATUS.errorQueue : 0) |
      (answers ? STATUS.messageAvailable : 0) |
      ((this.event & this.eventEnable) !== 0 ? STATUS.eventSummary : 0);
    return byte | ((byte & this.serviceEnable) !== 0 ? STATUS.masterSummary : 0);
  }
}
