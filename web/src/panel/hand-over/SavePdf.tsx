import type { CardWords } from '@blue-ledge/core';
import { Button } from 'antd';
import { useState } from 'react';
import { DownloadOutlined } from '../../shared/icons.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { downloadBlob } from '../../shared/save-as.ts';

interface SavePdfProps {
  readonly heading: string;
  readonly about: string;
  readonly words: CardWords;
}

/** The card as a PDF, made here: what makes it is fetched when it is first wanted. */
export function SavePdf({ heading, about, words }: SavePdfProps) {
  const [isMaking, setIsMaking] = useState(false);
  const [problem, setProblem] = useState<Error | null>(null);
  const save = async (): Promise<void> => {
    setIsMaking(true);
    setProblem(null);
    try {
      const { cardPdf } = await import('./card-pdf.ts');
      downloadBlob(await cardPdf({ heading, about, words }), `card-${words.code}.pdf`);
    } catch {
      setProblem(new Error('The PDF could not be made. Print the card in its place.'));
    } finally {
      setIsMaking(false);
    }
  };
  return (
    <>
      <Button icon={<DownloadOutlined />} loading={isMaking} onClick={() => void save()}>
        Save as PDF
      </Button>
      {problem && <Problem error={problem} />}
    </>
  );
}
