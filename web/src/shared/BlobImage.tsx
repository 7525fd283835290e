import { useCallback } from 'react';

interface BlobImageProps {
  readonly blob: Blob;
  readonly alt: string;
  readonly className?: string;
}

/** A picture that only this device has. */
export function BlobImage({ blob, ...rest }: BlobImageProps) {
  const show = useCallback(
    (image: HTMLImageElement | null) => {
      if (!image) return undefined;
      const url = URL.createObjectURL(blob);
      image.src = url;
      return () => URL.revokeObjectURL(url);
    },
    [blob],
  );
  return <img ref={show} {...rest} />;
}
