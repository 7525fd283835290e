import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Response } from 'express';

/** Tells when the client went away before it was answered: work for nobody is ended. */
export const Gone = createParamDecorator((_: unknown, context: ExecutionContext): AbortSignal => {
  const response = context.switchToHttp().getResponse<Response>();
  const gone = new AbortController();
  response.once('close', () => {
    if (!response.writableFinished) gone.abort();
  });
  return gone.signal;
});
