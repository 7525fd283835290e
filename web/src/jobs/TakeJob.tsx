import { MOST_JOB_BYTES, readJobText } from '@blue-ledge/core';
import { Button, Radio } from 'antd';
import { useRef, useState, type ChangeEvent } from 'react';
import { useNavigate } from 'react-router';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { UploadOutlined } from '../shared/icons.tsx';
import { useShops, useTakeJob } from '../api/queries.ts';
import type { TakenState } from './TakenNote.tsx';

const OF_FILE = 'of-the-file';

/** A file that was chosen, and the shop that it carries. */
interface Chosen {
  readonly text: string;
  readonly title: string;
  readonly shopName: string;
}

/** What a good file says of itself; null for one that the server will refuse, in its own words. */
function chosenOf(text: string): Chosen | null {
  const read = readJobText(text);
  if (!read.ok) return null;
  const { job, shop } = read.value;
  return { text, title: job.title, shopName: shop.name ?? 'the file' };
}

/** The id of the job in a file that the server took. */
const idIn = (text: string): string => (JSON.parse(text) as { job: { id: string } }).job.id;

interface TakeJobProps {
  readonly onError: (error: Error | null) => void;
}

/** Takes a job in from its file, and asks in which shop it is planned where there is more than one answer. */
export function TakeJob({ onError }: TakeJobProps) {
  const { data: shops = [], refetch } = useShops();
  const take = useTakeJob();
  const navigate = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [shop, setShop] = useState(OF_FILE);

  const send = (text: string, into: string): void =>
    take.mutate(
      { text, shop: into === OF_FILE ? undefined : into },
      {
        onSuccess: (taken) =>
          void navigate(`/jobs/${taken.id}`, {
            state: { taken, idInFile: idIn(text) } satisfies TakenState,
          }),
        onError,
        onSettled: () => setChosen(null),
      },
    );
  const open = async ({ target }: ChangeEvent<HTMLInputElement>): Promise<void> => {
    const picked = target.files?.[0];
    target.value = '';
    if (!picked) return;
    onError(null);
    if (picked.size > MOST_JOB_BYTES)
      return onError(new Error(`${picked.name} is larger than a job file may be (8 MB). Split the job.`));
    const text = await picked.text();
    const known = (await refetch()).data ?? [];
    const read = known.length > 0 ? chosenOf(text) : null;
    if (!read) return send(text, OF_FILE);
    setShop(known.find(({ name }) => name === read.shopName)?.id ?? OF_FILE);
    setChosen(read);
  };
  return (
    <>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        className="visually-hidden"
        aria-label="Job file"
        onChange={(event) => void open(event)}
      />
      <Button icon={<UploadOutlined />} loading={take.isPending} onClick={() => file.current?.click()}>
        Take in a job file
      </Button>
      {chosen && (
        <Dialog
          title={`In which shop is ${chosen.title} planned?`}
          act={{ label: 'Take it in', run: () => send(chosen.text, shop), isBusy: take.isPending }}
          onClose={() => setChosen(null)}
        >
          <p className="note">
            Climate, figures, ways of working and product sheets are the shop’s. Sheets of the file that the
            shop does not have are added to it.
          </p>
          <Radio.Group
            className="shop-choice"
            value={shop}
            onChange={({ target }) => setShop(String(target.value))}
          >
            {shops.map(({ id, name }) => (
              <Radio key={id} value={id}>
                {name}
              </Radio>
            ))}
            <Radio value={OF_FILE}>The shop in the file, as a shop of its own: {chosen.shopName}</Radio>
          </Radio.Group>
        </Dialog>
      )}
    </>
  );
}
