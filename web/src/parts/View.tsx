import { type ReactNode, Suspense, useEffect, useState } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { useLocation } from 'react-router';
import { Button } from '../ui/button.tsx';
import { PartMissing } from './fetched.ts';

/** A view whose trouble stays its own: what surrounds it goes on, and what waits to be saved is sent. */
export function View({ children, fallback = null }: { children: ReactNode; fallback?: ReactNode }) {
  const { pathname, search } = useLocation();
  return (
    <OwnTrouble of={`${pathname}${search}`} fallback={fallback}>
      {children}
    </OwnTrouble>
  );
}

/** The same where there are no addresses yet. @param of what is shown: another one is tried anew */
export function OwnTrouble({
  of = '',
  children,
  fallback = null,
}: {
  of?: string;
  children: ReactNode;
  fallback?: ReactNode;
}) {
  return (
    <ErrorBoundary FallbackComponent={Trouble} resetKeys={[of]}>
      <Suspense fallback={fallback}>{children}</Suspense>
    </ErrorBoundary>
  );
}

/** Whether the server itself answers now: what a service worker keeps would answer for it under the page’s own address. */
const answers = () =>
  fetch('/api/access', { cache: 'no-store' }).then(
    (r) => r.ok,
    () => false,
  );

function Trouble({ error, resetErrorBoundary }: FallbackProps) {
  const missing = error instanceof PartMissing;
  const [asking, setAsking] = useState(false);
  // who goes elsewhere and comes back asks for it anew
  useEffect(() => () => void (error instanceof PartMissing && error.again()), [error]);
  const again = async () => {
    setAsking(true);
    // where the server is there and the part is not, the app was renewed under other names: the page is loaded anew, and what waits lies in this browser
    if (missing && (await answers())) window.location.reload();
    else {
      if (missing) error.again();
      resetErrorBoundary();
    }
    setAsking(false);
  };
  return (
    <div className="p-8">
      <div role="alert">
        <p className="text-lg font-semibold">
          {missing ? 'This part of the app is not here yet.' : 'This part of the app fell over.'}
        </p>
        <p className="mt-1 max-w-xl text-soft">
          {missing
            ? 'The server did not answer when it was asked for it. Everything else goes on; what you have changed is kept in this browser and is saved when the server answers.'
            : `${error instanceof Error ? error.message : 'Something unforeseen happened.'} Everything else goes on, and nothing of what you have changed is lost.`}
        </p>
      </div>
      <Button look="main" className="mt-3" disabled={asking} onClick={() => void again()}>
        Try again
      </Button>
    </div>
  );
}
