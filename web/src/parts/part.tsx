import { type ComponentProps, type ComponentType, lazy, useState } from 'react';
import { fetched, PartMissing } from './fetched.ts';

/**
 * A part of the screen that is fetched when it is first shown. One that did not come is missing until its {@link PartMissing} is told to ask for it
 * again: React renders what threw more than once, and would ask for ever.
 */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- as React’s own lazy has it: any component at all
export function part<T extends ComponentType<any>>(load: () => Promise<{ default: T }>) {
  const attempt = () =>
    fetched(load).catch((error: unknown) => {
      if (error instanceof PartMissing) error.again = () => (current = lazy(attempt));
      throw error;
    });
  let current = lazy(attempt);
  return function Part(props: ComponentProps<T>) {
    const [Shown] = useState(() => current);
    return <Shown {...props} />;
  };
}
