import {
  FINDING_KINDS,
  findingRow,
  findingWords,
  newFinding,
  type Finding,
  type FindingField,
  type FindingKind,
} from '@blue-ledge/core';
import { Select } from 'antd';
import { PlusOutlined } from '../../shared/icons.tsx';
import { NumberInput } from '../../shared/NumberInput.tsx';
import { RemoveButton } from '../../shared/RemoveButton.tsx';
import { NumberField } from '../../shared/NumberField.tsx';

interface FindingRowsProps {
  readonly findings: readonly Finding[];
  readonly onChange: (findings: Finding[], field: string) => void;
}

/** What is wrong with the zone, each finding with the figures that it needs. */
export function FindingRows({ findings, onChange }: FindingRowsProps) {
  /** What describes the zone as a whole is said once; of local damage there may be several. */
  const isThere = (kind: FindingKind): boolean => findings.some((finding) => finding.kind === kind);
  const offered = FINDING_KINDS.filter((kind) => !isThere(kind) || findingRow(kind).where !== 'zone');
  return (
    <section aria-labelledby="findings-head">
      <h3 id="findings-head">Findings</h3>
      {findings.length === 0 && <p className="note">Nothing is wrong here, as far as anybody has said.</p>}
      <ul className="finding-rows">
        {findings.map((finding, i) => (
          <li key={`${finding.kind} ${i}`} aria-label={nameOf(findings, i)}>
            <b>{nameOf(findings, i)}</b>
            <span className="finding-fields">
              {findingRow(finding.kind).fields.map((field) => (
                <Figure
                  key={field.name}
                  field={field}
                  finding={finding}
                  onChange={(value) =>
                    onChange(
                      findings.map((old, j) => (j === i ? withFigure(old, field.name, value) : old)),
                      `${finding.kind} ${field.name}`,
                    )
                  }
                />
              ))}
            </span>
            <RemoveButton
              label={`Remove finding ${nameOf(findings, i)}`}
              onRemove={() =>
                onChange(
                  findings.filter((_, j) => j !== i),
                  'remove finding',
                )
              }
            />
          </li>
        ))}
      </ul>
      <Select
        aria-label="Add a finding"
        placeholder="Add a finding"
        prefix={<PlusOutlined />}
        showSearch={{ filterOption: (typed, option) => isCalled(option?.value as FindingKind, typed) }}
        value={null}
        notFoundContent={
          <span className="note">Nothing is called that. Empty the field to see all findings.</span>
        }
        options={offered.map((kind) => ({ value: kind, label: findingWords({ kind }) }))}
        optionRender={({ label, value }) => (
          <>
            {label} <span className="note">{findingRow(value as FindingKind).foundBy}</span>
          </>
        )}
        onChange={(kind: FindingKind | null) =>
          kind && onChange([...findings, newFinding(kind)], 'add finding')
        }
        className="add-row"
      />
    </section>
  );
}

/** Whether a word of what people call a kind begins as it was typed. */
function isCalled(kind: FindingKind, typed: string): boolean {
  const { label, synonyms } = findingRow(kind);
  const begun = ` ${typed.trim().toLowerCase()}`;
  return [label, ...synonyms].some((name) => ` ${name.toLowerCase()}`.includes(begun));
}

/** "dent", or "dent 2" where there are several of its kind. */
function nameOf(findings: readonly Finding[], i: number): string {
  const { kind } = findings[i]!;
  const nth = findings.slice(0, i).filter((other) => other.kind === kind).length + 1;
  const isOnly = findings.filter((other) => other.kind === kind).length === 1;
  return isOnly ? findingWords({ kind }) : `${findingWords({ kind })} ${nth}`;
}

/** The finding with a figure changed, or without it. */
function withFigure(finding: Finding, name: string, value: string | number | null): Finding {
  const others = Object.fromEntries(Object.entries(finding).filter(([key]) => key !== name));
  return (value === null ? others : { ...others, [name]: value }) as Finding;
}

interface FigureProps {
  readonly field: FindingField;
  readonly finding: Finding;
  /** Null takes an optional figure away. */
  readonly onChange: (value: string | number | null) => void;
}

function Figure({ field, finding, onChange }: FigureProps) {
  const value = (finding as Record<string, unknown>)[field.name];
  switch (field.kind) {
    case 'choice':
      return (
        <Select
          aria-label={field.label}
          value={value as string}
          options={field.options.map((option) => ({ value: option, label: option }))}
          onChange={onChange}
          showSearch
          style={{ width: 110 }}
        />
      );
    case 'count':
      return (
        <label className="field">
          {field.label}
          <NumberInput
            name={field.label}
            value={value as number}
            from={1}
            to={1000}
            isWhole
            onChange={onChange}
          />
        </label>
      );
    case 'share':
      return (
        <NumberField
          label={field.label}
          quantity="Percent"
          value={value === undefined ? null : (value as number) * 100}
          from={0}
          to={100}
          onChange={(percent) => onChange(percent / 100)}
        />
      );
    case 'number':
      return (
        <NumberField
          label={field.label}
          quantity={field.quantity}
          value={(value as number | undefined) ?? null}
          from={field.least}
          to={field.most}
          hint={field.isOptional && value === undefined ? 'not measured' : undefined}
          onChange={onChange}
          {...(field.isOptional ? { onClear: () => onChange(null) } : {})}
        />
      );
  }
}
