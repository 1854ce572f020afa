import { tagged } from '../../shape';
import type { Fields, Infer, ObjectShape } from '../../shape';
import { converterQuestion, sizeConverter } from './converter';
import { fuseQuestion, sizeFuse } from './fuse';
import { holderQuestion, sizeHolder } from './holder';
import { leadQuestion, sizeLead } from './lead';
import { packQuestion, sizePack } from './pack';
import { parallelQuestion, sizeParallel } from './parallel';
import type { Sized } from './sized';

/** A small tool of the bench: what it asks, and how it answers. */
export interface SizeTool<S extends ObjectShape<Fields> = ObjectShape<Fields>> {
  readonly question: S;
  readonly size: (question: Infer<S>) => Sized<object>;
}

const tool = <S extends ObjectShape<Fields>>(question: S, size: (question: Infer<S>) => Sized<object>): SizeTool => ({
  question,
  // what comes in was checked against the question’s own shape
  size: size as SizeTool['size'],
});

/** The tools by their names, as the command line and documents call them. */
export const SIZE_TOOLS = {
  lead: tool(leadQuestion, sizeLead),
  fuse: tool(fuseQuestion, sizeFuse),
  converter: tool(converterQuestion, sizeConverter),
  pack: tool(packQuestion, sizePack),
  holder: tool(holderQuestion, sizeHolder),
  parallel: tool(parallelQuestion, sizeParallel),
} as const;
/** A question with the tool that it is for. */
export const sizeQuestion = tagged('A size', 'tool', {
  lead: leadQuestion.fields,
  fuse: fuseQuestion.fields,
  converter: converterQuestion.fields,
  pack: packQuestion.fields,
  holder: holderQuestion.fields,
  parallel: parallelQuestion.fields,
});
export type SizeToolName = keyof typeof SIZE_TOOLS;
