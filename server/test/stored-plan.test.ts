import { planOfBody } from '../src/plans/stored-plan.ts';

test('a plan that an earlier release kept is read: whole zones, and warnings and stops in words only', () => {
  const kept = {
    panelId: 'door',
    chosen: 'seal',
    systems: [{ id: 'seal', steps: [{ op: 'seal', zones: ['A'] }] }],
    stopped: [{ zoneId: 'B', rule: 'M5', text: 'Weld it shut.' }],
    warnings: ['Something was said.'],
  };
  expect(planOfBody(kept)).toMatchObject({
    systems: [{ steps: [{ zones: ['A'], areas: ['A'] }] }],
    stopped: [{ zoneId: 'B', rule: 'M5', code: '', facts: {}, text: 'Weld it shut.' }],
    warnings: [{ code: '', facts: {}, text: 'Something was said.' }],
  });
});
