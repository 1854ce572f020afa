import { LOW_WATER } from './demo';
import { assess, tellAnswer } from './answer';
it('x', () => {
  const gear = new Map(LOW_WATER.gear.map(({ id, body }) => [id, body]));
  for (const { body } of LOW_WATER.rigs) {
    const a = tellAnswer(assess(body, gear));
    console.log(body.name, a.verdict, a.firstStopMin, '\n', a.findings.filter((f) => f.verdict !== 'good').map((f) => `${f.verdict} ${f.code}: ${f.sentence}`).join('\n '));
  }
});
