import { type Limits as Told } from '../../state/household.ts';
import { limitWords } from './role-words.ts';

const mb = (bytes: number) => Math.round(bytes / 1e6);

/** What this household may keep, and how much of it is taken; said aloud before it bites. */
export function Limits({ limits: { plans, pictures, bytes } }: { limits: Told }) {
  const near = [
    limitWords('plans', plans.now, plans.most),
    limitWords('pictures', pictures.now, pictures.most),
    limitWords('MB of pictures', mb(bytes.now), mb(bytes.most)),
  ].filter((words) => words !== null);
  return (
    <>
      <p className="mt-1 text-soft">
        {plans.now} of {plans.most} plans · {pictures.now} of {pictures.most} pictures · {mb(bytes.now)} of{' '}
        {mb(bytes.most)} MB
      </p>
      {near.map((words) => (
        <p key={words} role="status" className="mt-1 font-semibold text-clash">
          {words}
        </p>
      ))}
    </>
  );
}
