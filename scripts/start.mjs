/** `npm start`: the product for keeps. Data lies in ~/.blue-ledge unless LEDGE_DATA says otherwise. */
import { main } from './run.mjs';
import { serve } from './serve.mjs';

await main(async () => console.log(`Blue Ledge is at ${await serve({})}`));
