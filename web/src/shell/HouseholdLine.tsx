import { Link } from 'react-router';
import { type Told } from '../state/access.ts';

/** Whose plans these are, and as whom one looks at them; nothing where there are no households. */
export function HouseholdLine({ told: { household, member, role } }: { told: Told }) {
  if (!household) return null;
  return (
    <p className="mt-4">
      {member ? (
        <Link to="/household" className="text-heron underline">
          {household.name}
        </Link>
      ) : (
        household.name
      )}
      <span className="text-soft">
        {' · '}
        {member ? `${member.name}, ${role}` : 'you look by a link'}
      </span>
    </p>
  );
}
