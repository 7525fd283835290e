import { withEdit, type Panel, type PanelEdit, type PanelView } from '@blue-ledge/core';

/** A server for tests of the outbox: it keeps a panel, remembers keys, and can be away. */

export const AT = { job: 'bus', panel: 'door' };
export const zone = (id: string, areaM2: number): Panel['zones'][number] => ({
  id,
  name: `zone ${id}`,
  areaM2,
  substrate: 'steel',
  layers: [{ kind: 'steel' }],
  findings: [],
});
export const DOOR = {
  id: 'door',
  name: 'door',
  areaM2: 2,
  zones: [zone('A', 1), zone('B', 0.5)],
} as unknown as Panel;

export class FakeServer {
  panel = DOOR;
  private version = 1;
  isAway = false;
  /** It does what it is asked, and the answer is lost on the way. */
  losesAnswers = false;
  /** It does what it is asked, and its answer breaks off on the way. */
  cutsAnswers = false;
  /** It answers with this status, and does nothing of what it is asked. */
  failsWith: number | null = null;
  readonly asked: { key: string; path: string; body: Record<string, unknown> }[] = [];
  private readonly answers = new Map<string, { request: string; answer: unknown }>();

  readonly fetch = async (url: string, { method, headers, body }: RequestInit = {}): Promise<Response> => {
    if (this.isAway) throw new TypeError('no connection');
    if (method !== 'PATCH') return Response.json(this.view());
    if (this.failsWith !== null) return this.refusal(this.failsWith, { title: 'The disk is full.' });
    const key = (headers as Record<string, string>)['idempotency-key']!;
    const request = `${url} ${body as string}`;
    const known = this.answers.get(key);
    if (known) return known.request === request ? Response.json(known.answer) : this.refusal(422, {});
    const said = JSON.parse(body as string) as { edit?: PanelEdit };
    this.asked.push({ key, path: url, body: said as Record<string, unknown> });
    const after = said.edit ? withEdit(this.panel, said.edit) : this.panel;
    if (!after) return this.refusal(409, { theirs: this.view() });
    if (after.zones.reduce((sum, { areaM2 }) => sum + areaM2, 0) > after.areaM2)
      return this.refusal(422, { problems: [{ path: 'panel.zones', message: 'too large' }] });
    this.panel = after;
    this.version += 1;
    this.answers.set(key, { request, answer: this.view() });
    if (this.losesAnswers) throw new TypeError('connection lost');
    return this.cutsAnswers ? new Response('{"job": {"id": "b') : Response.json(this.view());
  };

  view = () => ({ job: { id: 'bus' }, panel: this.panel, version: this.version }) as unknown as PanelView;
  private refusal = (status: number, more: object): Response =>
    Response.json({ status, title: 'It was refused.', ...more }, { status });
}
