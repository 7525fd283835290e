import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { z } from 'zod';
import { ZodPipe } from './zod.pipe.ts';

/** A key that a client makes for each write, so that sending twice writes once. */
const clientKey = new ZodPipe(
  z.string().min(8, 'Idempotency-Key needs at least 8 characters').max(100).optional(),
);

/** The request's `Idempotency-Key`, checked; undefined where the client sent none. */
export const ClientKey = createParamDecorator((_: unknown, context: ExecutionContext): string | undefined =>
  clientKey.transform(context.switchToHttp().getRequest<Request>().headers['idempotency-key']),
);
