/** `npm start`: the product for keeps. Data lies in ~/.blue-ledge unless LEDGE_DATA says otherwise. */
import { serve } from './serve.mjs';

console.log(`Blue Ledge is at ${await serve({})}`);
