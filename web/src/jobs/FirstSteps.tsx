import { Button } from 'antd';
import type { ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { useNewShop, useShops } from '../api/queries.ts';
import { Problem } from '../shared/Problem.tsx';
import { CheckOutlined } from '../shared/icons.tsx';

/** The way from an empty program to the first plan, with the next step as a button. */
export function FirstSteps({ onNewJob }: { readonly onNewJob: () => void }) {
  const { data: shops = [] } = useShops();
  const newShop = useNewShop();
  const navigate = useNavigate();
  const [shop] = shops;
  const makeShop = (): void =>
    newShop.mutate({ name: 'My shop' }, { onSuccess: ({ id }) => void navigate(`/shop/${id}`) });
  return (
    <section className="first-steps" aria-labelledby="first-steps-head">
      <h2 id="first-steps-head">From here to the first plan</h2>
      <ol>
        <FirstStep
          isDone={shop !== undefined}
          name="Your shop"
          says="How warm and damp it is, when you work, what you sand with. The usual settings are there already."
        >
          {shop ? (
            <Link to={`/shop/${shop.id}`}>Look at the settings</Link>
          ) : (
            <Button loading={newShop.isPending} onClick={makeShop}>
              Set up the shop
            </Button>
          )}
        </FirstStep>
        <FirstStep
          name="A job, with its first panel"
          says="One job holds the panels of one vehicle: give it a title, and pick what the first panel is."
        >
          <Button type="primary" className="ledge-button" onClick={onNewJob}>
            Make the first job
          </Button>
        </FirstStep>
        <FirstStep
          name="The survey"
          says="What the panel is made of, zone by zone, and what is wrong with it: dents, chips, bare spots."
        />
        <FirstStep
          name="The plan"
          says="Ask for systems: what gets the panel ready for base, step by step with times, and what would not and why."
        />
      </ol>
      {newShop.error && <Problem error={newShop.error} />}
    </section>
  );
}

interface FirstStepProps {
  readonly name: string;
  readonly says: string;
  readonly isDone?: boolean;
  readonly children?: ReactNode;
}

const FirstStep = ({ name, says, isDone = false, children }: FirstStepProps) => (
  <li className={isDone ? 'is-done' : ''}>
    <div>
      <h3>
        {name} {isDone && <CheckOutlined aria-label="done" />}
      </h3>
      <p>{says}</p>
    </div>
    {children}
  </li>
);
