import { createHash } from 'node:crypto';

/** Together: some dozens of usual answers. */
const MOST_BYTES = 32 * 1024 * 1024;

/** Answers by what was asked, byte for byte; those that were not asked for longest make room. The same question has the same answer. */
export class AnswerCache {
  private readonly kept = new Map<string, Uint8Array>();
  private bytes = 0;

  constructor(private readonly mostBytes = MOST_BYTES) {}

  /** What was answered before, or else what `work` answers. What it throws is not kept. */
  async of(question: Uint8Array, work: () => Promise<Uint8Array>): Promise<Uint8Array> {
    const key = createHash('sha256').update(question).digest('base64');
    const known = this.kept.get(key);
    if (known) this.drop(key, known);
    const answer = known ?? (await work());
    // another may have asked the same meanwhile
    if (!this.kept.has(key)) this.keep(key, answer);
    return answer;
  }

  private keep(key: string, answer: Uint8Array): void {
    if (answer.length > this.mostBytes) return;
    this.kept.set(key, answer);
    this.bytes += answer.length;
    for (const [oldest, its] of this.kept) {
      if (this.bytes <= this.mostBytes) return;
      this.drop(oldest, its);
    }
  }

  private drop(key: string, answer: Uint8Array): void {
    this.kept.delete(key);
    this.bytes -= answer.length;
  }
}
