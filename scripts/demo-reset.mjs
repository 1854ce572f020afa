// `npm run demo:reset`: puts the demo crew back as it shipped, in the running application or, when none runs, in its database.
import { Failure, main, say } from './lib/say.mjs';
import { withServer } from './lib/with-server.mjs';

await main(() =>
  withServer(async (url) => {
    const response = await fetch(new URL('/api/demo/reset', url), { method: 'POST' });
    const answer = await response.json();
    if (!response.ok) throw new Failure(`${answer.title}: ${answer.detail}`);
    say(`The demo crew is back as it shipped: ${answer.rigs} rigs, ${answer.gear} pieces of gear. What is your own stayed.`);
  }),
);
