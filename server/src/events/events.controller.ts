import type { EventView } from '@blue-ledge/core';
import { Controller, Get, Headers, Injectable, Res, type BeforeApplicationShutdown } from '@nestjs/common';
import type { Response } from 'express';
import { Op } from 'sequelize';
import { Database } from '../database/database.ts';
import type { EventRow } from '../database/chain-of-events.ts';

/** What happened, told to every open screen as it happens: one stream of server-sent events. */

/** A sign of life, so that nobody in between closes the line. */
const BEAT_MS = 20_000;
/** A screen that missed more than this asks for everything anew. */
const MOST_MISSED = 200;

const viewOf = ({ seq, subject, kind, body }: EventRow): EventView => ({
  seq,
  subject,
  kind,
  version: (body as { readonly version?: number }).version,
});
const lineOf = (event: EventView): string => `id: ${event.seq}\ndata: ${JSON.stringify(event)}\n\n`;

@Injectable()
@Controller('api/events')
export class EventsController implements BeforeApplicationShutdown {
  private readonly open = new Set<Response>();

  constructor(private readonly database: Database) {}

  /** Begins with what was missed since the event that the browser saw last. */
  @Get()
  async stream(@Res() response: Response, @Headers('last-event-id') seen?: string): Promise<void> {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      // Compression would hold events back.
      'cache-control': 'no-cache, no-transform',
      connection: 'keep-alive',
    });
    response.write('retry: 2000\n\n');
    const stop = this.database.onEvents((events) => {
      for (const event of events) response.write(lineOf(viewOf(event)));
    });
    const beat = setInterval(() => response.write(': here\n\n'), BEAT_MS);
    this.open.add(response);
    response.once('close', () => {
      stop();
      clearInterval(beat);
      this.open.delete(response);
    });
    if (seen && /^\d{1,15}$/.test(seen)) await this.catchUp(response, Number(seen));
  }

  private async catchUp(response: Response, seen: number): Promise<void> {
    const missed = await this.database.read(({ tables }) =>
      tables.events.findAll({
        where: { seq: { [Op.gt]: seen } },
        order: [['seq', 'ASC']],
        limit: MOST_MISSED + 1,
      }),
    );
    if (missed.length > MOST_MISSED) {
      const { seq } = missed.at(-1)!;
      response.write(lineOf({ seq, subject: '', kind: 'all.changed' }));
    } else for (const event of missed) response.write(lineOf(viewOf(event)));
  }

  beforeApplicationShutdown(): void {
    for (const response of this.open) response.end();
  }
}
