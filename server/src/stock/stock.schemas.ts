import { canMoveSchema, canSchema, idSchema } from '@blue-ledge/core';
import { z } from 'zod';

/** Parts and bodies of requests about a shop's cans. */
export const canParams = z.object({ shop: idSchema, can: z.string().min(1).max(40) });
export type CanParams = z.infer<typeof canParams>;

export const canPutSchema = z.object({
  can: canSchema,
  /** The version that was changed; 0 for a can that is new: it is full. */
  from: z.number().int().min(0),
});
export type CanPut = z.infer<typeof canPutSchema>;

/** Moves that belong together: all of them are kept or none. */
export const canMovesSchema = z.object({
  moves: z.array(canMoveSchema).min(1, 'holds no move').max(60, 'may hold at most 60 moves'),
});
export type CanMoves = z.infer<typeof canMovesSchema>;
