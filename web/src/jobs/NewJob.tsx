import {
  FINDABLE_KINDS,
  LAYER_KINDS,
  OUTLINES,
  OUTLINE_KINDS,
  QUALITIES,
  type LayerKind,
  type OutlineKind,
} from '@blue-ledge/core';
import { Input, Select } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useNewJob, useNewShop, useShops } from '../api/queries.ts';
import { Choice } from '../shared/Choice.tsx';
import { Dialog } from '../shared/dialog/Dialog.tsx';
import { Problem } from '../shared/Problem.tsx';
import { panelOfOutline } from './panel-of-outline.ts';

/** A new job: title, shop, target, and the first panels by their outlines. The survey says the rest. */
export function NewJob({ onClose }: { readonly onClose: () => void }) {
  const { data: shops = [] } = useShops();
  const [title, setTitle] = useState('');
  const [quality, setQuality] = useState<(typeof QUALITIES)[number]>('standard');
  const [shop, setShop] = useState<string | null>(null);
  const [kinds, setKinds] = useState<readonly OutlineKind[]>([]);
  const [surface, setSurface] = useState<LayerKind>('old-finish');
  const newShop = useNewShop();
  const newJob = useNewJob();
  const navigate = useNavigate();
  const shopId = shop ?? shops[0]?.id;

  const save = async (): Promise<void> => {
    const panels: { readonly id: string }[] = [];
    for (const kind of kinds) {
      const panel = { name: '', kind, size: OUTLINES[kind], surface };
      panels.push(
        panelOfOutline(
          panel,
          panels.map(({ id }) => id),
        ),
      );
    }
    const own = shopId ?? (await newShop.mutateAsync({ name: 'Shop' })).id;
    const { id } = await newJob.mutateAsync({
      job: { title: title.trim(), target: { quality } },
      shopId: own,
      panels,
    });
    const [only, ...others] = panels;
    void navigate(only && others.length === 0 ? `/jobs/${id}/panels/${only.id}/survey` : `/jobs/${id}`);
  };
  const error = newShop.error ?? newJob.error;
  return (
    <Dialog
      title="New job"
      act={{
        label: 'Make the job',
        run: () => void save().catch(() => undefined),
        isBusy: newShop.isPending || newJob.isPending,
        isOff: title.trim() === '',
      }}
      onClose={onClose}
    >
      <div className="add-panel">
        <div className="field">
          <label htmlFor="new-job-title">Title</label>
          <Input
            id="new-job-title"
            placeholder="for example Book bus 6"
            maxLength={160}
            value={title}
            onChange={({ target }) => setTitle(target.value)}
          />
        </div>
        <div className="field">
          <span className="note">Shop</span>
          {shopId ? (
            <Select
              aria-label="Shop of the new job"
              value={shopId}
              options={shops.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={setShop}
            />
          ) : (
            <span>The first one, with the usual settings. Change them in Shop.</span>
          )}
        </div>
        <Choice
          label="Quality of the new job"
          value={quality}
          options={QUALITIES.map((name) => [name, name] as const)}
          onChange={setQuality}
        />
        <div className="field">
          <span className="note">Most of it is</span>
          <Select
            aria-label="Most of each panel is"
            value={surface}
            options={FINDABLE_KINDS.map((value) => ({ value, label: LAYER_KINDS[value].label }))}
            onChange={setSurface}
          />
        </div>
        <div className="field">
          <span className="note">First panels</span>
          <Select
            mode="multiple"
            aria-label="First panels"
            placeholder="add them now or later"
            value={[...kinds]}
            options={OUTLINE_KINDS.map((value) => ({ value, label: OUTLINES[value].label }))}
            onChange={setKinds}
          />
        </div>
      </div>
      {error && <Problem error={error} />}
    </Dialog>
  );
}
