import { OP_LABELS, momentOf, textOfMoment, type ShopScheduleView } from '@blue-ledge/core';
import Papa from 'papaparse';
import { saveAs } from '../shared/save-as.ts';

/** The schedule as a table, a row for each stretch of work or waiting, in the order of time. */
export function saveScheduleCsv({ schedule, start, jobs }: ShopScheduleView, shopName: string): void {
  const { tasks, panels, people } = schedule!;
  const nameOf = new Map(panels.map(({ jobId, panelId, name }) => [`${jobId}/${panelId}`, name]));
  const person = new Map(people.map(({ id, name }) => [`technician:${id}`, name]));
  const at = (minute: number): string => textOfMoment(momentOf(start, Math.round(minute))).replace('T', ' ');
  const rows = tasks
    .toSorted((a, b) => a.startMin - b.startMin)
    .map(
      ({
        jobId,
        panelId,
        n,
        op,
        part,
        isUnattended,
        startMin,
        endMin,
        resources,
        sheetName,
        batch,
        isInserted,
      }) => ({
        begins: at(startMin),
        ends: at(endMin),
        job: jobs[jobId] ?? jobId,
        panel: nameOf.get(`${jobId}/${panelId}`) ?? panelId,
        step: n,
        part,
        work: OP_LABELS[op],
        product: sheetName ?? '',
        who: isUnattended ? '' : resources.flatMap((each) => person.get(each) ?? []).join(', '),
        holds: resources.filter((each) => !each.startsWith('technician:')).join(', '),
        'sprayed together': batch ?? '',
        'put in': isInserted ? 'yes' : '',
      }),
    );
  const name = shopName.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-');
  saveAs(`schedule-${name}.csv`, 'text/csv', Papa.unparse(rows, { escapeFormulae: true }));
}
