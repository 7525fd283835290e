import { createHash } from 'node:crypto';
import { createParamDecorator, type ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { z } from 'zod';
import type { WriteRequest } from '../database/idempotent-writes.ts';
import { bodyTextOf } from './json-body.ts';
import { ZodPipe } from './zod.pipe.ts';

/** A key that a client makes for each write, so that sending twice writes once. */
const clientKey = new ZodPipe(
  z.string().min(8, 'Idempotency-Key needs at least 8 characters').max(100).optional(),
);

/** Until people sign in, whoever sits at this machine. */
const ACTOR = 'bench';

const hashOf = (request: Request): string =>
  createHash('sha256')
    .update(JSON.stringify([request.method, request.originalUrl, bodyTextOf(request)]))
    .digest('hex');

/** Who asks for a write, its `Idempotency-Key` (checked), and what it asks for as one hash. */
export const Asked = createParamDecorator((_: unknown, context: ExecutionContext): WriteRequest => {
  const request = context.switchToHttp().getRequest<Request>();
  return {
    actor: ACTOR,
    clientKey: clientKey.transform(request.headers['idempotency-key']),
    request: hashOf(request),
  };
});
