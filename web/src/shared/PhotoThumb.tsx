import { useState } from 'react';
import { useOutbox } from '../outbox/row.ts';
import { BlobImage } from './BlobImage.tsx';
import './photo-thumb.css';

/** The picture while it waits on this device; undefined once it is sent, or where another one took it. */
const useUnsent = (photoId: string): Blob | undefined =>
  useOutbox(
    ({ entries }) =>
      entries.flatMap((entry) =>
        entry.kind === 'record' &&
        entry.photo &&
        entry.entry.kind === 'photo' &&
        entry.entry.body.photoId === photoId
          ? [entry.photo]
          : [],
      )[0],
  );

interface PhotoThumbProps {
  readonly photoId: string;
  readonly words: string;
}

/** A photo of the record, small; opened large in a tab of its own. */
export function PhotoThumb({ photoId, words }: PhotoThumbProps) {
  const unsent = useUnsent(photoId);
  if (unsent)
    return (
      <span className="photo-thumb">
        <BlobImage blob={unsent} alt={words} />
      </span>
    );
  return <KeptPhoto key={photoId} photoId={photoId} words={words} />;
}

function KeptPhoto({ photoId, words }: PhotoThumbProps) {
  const [isMissing, setIsMissing] = useState(false);
  const src = `/api/photos/${encodeURIComponent(photoId)}`;
  if (isMissing)
    return (
      <span className="note">
        The picture is not here: it stayed where the job came from, is still on the device that took it, or is
        not the one that was taken any more.
      </span>
    );
  return (
    <a className="photo-thumb" href={src} target="_blank" rel="noreferrer">
      <img src={src} alt={words} loading="lazy" onError={() => setIsMissing(true)} />
    </a>
  );
}
