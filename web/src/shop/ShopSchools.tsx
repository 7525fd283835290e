import { SCHOOLS, schoolOf, type SchoolName, type Schools } from '@blue-ledge/core';
import { SchoolChoice } from '../shared/SchoolChoice.tsx';

interface ShopSchoolsProps {
  readonly schools: Schools;
  readonly onChange: (schools: Schools) => void;
}

/** Every school, both sides with their reasons, as this shop goes. */
export function ShopSchools({ schools, onChange }: ShopSchoolsProps) {
  return (Object.keys(SCHOOLS) as SchoolName[]).map((name) => {
    const { side, source } = schoolOf(schools, name);
    return (
      <SchoolChoice
        key={name}
        name={name}
        side={side}
        noteOf={(other) => (other === side && source === 'default' ? ' (default)' : '')}
        onChoose={(chosen) => onChange({ ...schools, [name]: chosen })}
      />
    );
  });
}
