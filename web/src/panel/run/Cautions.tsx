import { WarningOutlined } from '../../shared/icons.tsx';

/** What can hurt at this step, in one bar across the bench. */
export function Cautions({ cautions }: { readonly cautions: readonly string[] }) {
  if (cautions.length === 0) return null;
  return (
    <section className="run-cautions" aria-label="Cautions" tabIndex={0}>
      <WarningOutlined />
      <ul>
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
    </section>
  );
}
