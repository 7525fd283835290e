import {
  Injectable,
  type BeforeApplicationShutdown,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
} from '@nestjs/common';
import type { Request } from 'express';
import type { ServerResponse } from 'node:http';
import { finalize, type Observable } from 'rxjs';

/** A request that takes longer than this is not waited for when the server stops. */
const LONGEST_WAIT_MS = 5000;

/** Counts the requests that are being answered, and lets them finish before threads and database are closed. */
@Injectable()
export class InFlightInterceptor implements NestInterceptor, BeforeApplicationShutdown {
  private nInFlight = 0;
  private whenIdle: (() => void) | null = null;

  intercept(context: ExecutionContext, next: CallHandler): Observable<unknown> {
    // The stream of events never ends by itself.
    if (context.switchToHttp().getRequest<Request>().path === '/api/events') return next.handle();
    this.nInFlight++;
    const response = context.switchToHttp().getResponse<ServerResponse>();
    // A client may hang up while the work goes on, and work that is done has still to be sent.
    const isSent = new Promise((resolve) => response.once('close', resolve));
    return next.handle().pipe(finalize(() => void isSent.then(() => this.end())));
  }

  private end(): void {
    this.nInFlight--;
    if (this.nInFlight === 0) this.whenIdle?.();
  }

  async beforeApplicationShutdown(): Promise<void> {
    if (this.nInFlight === 0) return;
    await new Promise<void>((resolve) => {
      const timer = setTimeout(resolve, LONGEST_WAIT_MS);
      this.whenIdle = () => {
        clearTimeout(timer);
        resolve();
      };
    });
  }
}
