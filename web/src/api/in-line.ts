import type { PlaceInLine } from '@blue-ledge/core';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, newKey } from './http.ts';

const ASK_AGAIN_MS = 1000;

interface LongAsk<Asked, Answer> {
  readonly ask: (asked: Asked, clientKey: string) => Promise<Answer>;
  readonly onSuccess: (answer: Answer) => void | Promise<void>;
}

/** A request for plans, which may have to wait for others; while it does, its place in line. */
export function useInLine<Asked, Answer>({ ask: askFor, onSuccess }: LongAsk<Asked, Answer>) {
  const [clientKey, setClientKey] = useState('');
  const mutation = useMutation({
    mutationFn: (asked: Asked) => {
      const key = newKey();
      setClientKey(key);
      return askFor(asked, key);
    },
    onSuccess,
  });
  const { data: place } = useQuery({
    queryKey: ['place', clientKey],
    queryFn: () => ask<PlaceInLine>(`/plans/places/${clientKey}`),
    enabled: mutation.isPending && clientKey !== '',
    refetchInterval: ASK_AGAIN_MS,
  });
  return { ...mutation, place: mutation.isPending ? place : undefined };
}

/** What a button says while plans are waited for; null where nothing comes first and only one is asked for. */
export function placeText(place: PlaceInLine | undefined): string | null {
  if (!place) return null;
  if (place.nBefore > 0)
    return place.nBefore === 1 ? '1 plan comes first' : `${place.nBefore} plans come first`;
  return place.nOwn > 1 ? `${place.nOwn} panels left` : null;
}
