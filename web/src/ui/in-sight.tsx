import { type ReactNode, useEffect, useRef, useState } from 'react';

/** Draws what it holds once it comes near what is in sight, and keeps its room until then. */
export function InSight({ className, children }: { className: string; children: ReactNode }) {
  const box = useRef<HTMLDivElement>(null);
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!box.current || near) return;
    const seen = new IntersectionObserver(([entry]) => entry?.isIntersecting && setNear(true), {
      rootMargin: '25% 50%',
    });
    seen.observe(box.current);
    return () => seen.disconnect();
  }, [near]);
  return (
    <div ref={box} className={className}>
      {near && children}
    </div>
  );
}
