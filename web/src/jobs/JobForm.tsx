import { QUALITIES, type JobView, type Target } from '@blue-ledge/core';
import { DatePicker, Select } from 'antd';
import dayjs from 'dayjs';
import { Link } from 'react-router';
import { useShops } from '../api/queries.ts';
import { Choice } from '../shared/Choice.tsx';
import { TextField } from '../shared/TextField.tsx';
import type { JobFields } from '../outbox/field-change.ts';

interface JobFormProps {
  readonly view: JobView;
  readonly onChange: (fields: JobFields) => void;
}

/** What was agreed: for whom, in which words, until when, in which shop, and what base follows. */
export function JobForm({ view, onChange }: JobFormProps) {
  const { job, shop } = view;
  const { data: shops = [shop] } = useShops();
  const put = (target: Partial<Target>): void => onChange({ target: { ...job.target, ...target } });
  return (
    <section className="pane job-form" aria-labelledby="job-form-head">
      <h2 id="job-form-head">What was agreed</h2>
      <TextField
        label="Title"
        value={job.title}
        most={160}
        whenEmpty="A job needs a title."
        onChange={(title) => onChange({ title })}
      />
      <TextField
        label="Customer"
        value={job.customer ?? ''}
        most={160}
        onChange={(customer) => onChange({ customer })}
      />
      <div className="job-words">
        <TextField
          label="What the customer said"
          value={job.customerWords ?? ''}
          most={2000}
          rows={3}
          onChange={(customerWords) => onChange({ customerWords })}
        />
      </div>
      <label className="field">
        <span>Due on</span>
        <DatePicker
          aria-label="Due on"
          format="YYYY-MM-DD"
          placeholder="no day agreed"
          value={job.dueOn ? dayjs(job.dueOn) : null}
          onChange={(day) => onChange({ dueOn: day ? day.format('YYYY-MM-DD') : null })}
        />
      </label>
      <Choice
        label="Target quality"
        value={job.target.quality}
        options={QUALITIES.map((quality) => [quality, quality] as const)}
        onChange={(quality) => put({ quality })}
      />
      <BaseFields target={job.target} onChange={(base) => put({ base })} />
      <label className="field job-shop">
        <span>Shop</span>
        <Select
          aria-label="Shop"
          value={shop.id}
          options={shops.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(shopId) => onChange({ shopId })}
        />
        <Link to={`/shop/${shop.id}`}>How this shop works</Link>
      </label>
    </section>
  );
}

const hexOf = (color: Target['base']['color']): string => (typeof color === 'string' ? color : '#808080');

interface BaseFieldsProps {
  readonly target: Target;
  readonly onChange: (base: Target['base']) => void;
}

/** The base that will follow: what it is thinned with, its effect, and its colour, which decides the undertone. */
function BaseFields({ target: { base }, onChange }: BaseFieldsProps) {
  return (
    <>
      <Choice
        label="Base"
        value={base.carrier}
        options={[
          ['waterborne', 'waterborne'],
          ['solvent', 'solvent'],
        ]}
        onChange={(carrier) => onChange({ ...base, carrier })}
      />
      <Choice
        label="Effect of the base"
        value={base.effect}
        options={[
          ['solid', 'solid'],
          ['metallic', 'metallic'],
          ['pearl', 'pearl'],
        ]}
        onChange={(effect) => onChange({ ...base, effect })}
      />
      <label className="field">
        <span>Colour of the base</span>
        <input
          type="color"
          aria-label="Colour of the base"
          className="base-color"
          key={hexOf(base.color)}
          defaultValue={hexOf(base.color)}
          onBlur={({ target }) => {
            if (target.value !== hexOf(base.color)) onChange({ ...base, color: target.value });
          }}
        />
        <span className="note">
          {typeof base.color === 'object'
            ? `L* ${base.color.L}, a ${base.color.a}, b ${base.color.b} in the file`
            : base.color
              ? 'decides the tone of sealer and first coat'
              : 'not given yet: tones are left open'}
        </span>
      </label>
    </>
  );
}
