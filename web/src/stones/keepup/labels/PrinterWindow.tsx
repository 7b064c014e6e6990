import { useEffect } from 'react';
import { toast } from 'sonner';
import { qrOf, qrPath } from '@heronstone/core/labels';
import { actOnPrinter, type PrinterJob } from '../../../state/api.ts';
import { TROUBLE, usePrinter } from '../../../state/printer.ts';
import { Button } from '../../../ui/button.tsx';

const STATE: Record<PrinterJob['state'], string> = {
  waiting: 'waits',
  printing: 'is being printed',
  printed: 'is out',
  spoilt: 'is spoilt',
};

/** The stand-in for a label printer, in a window of its own: what comes out of it, its queue, and what may happen to it. */
export default function PrinterWindow() {
  const { status, told } = usePrinter();
  useEffect(() => void (document.title = 'Label printer (a stand-in)'), []);
  const act = (what: Parameters<typeof actOnPrinter>[0]) =>
    void actOnPrinter(what).then(told, (e: Error) => toast.error(e.message));
  if (!status)
    return (
      <main className="p-6">
        <h1 className="font-display text-xl font-semibold">Label printer</h1>
        <p role="status" className="text-soft">
          It does not answer yet.
        </p>
      </main>
    );
  const { trouble, tape, jobs } = status;
  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="font-display text-xl font-semibold">Label printer</h1>
      <p className="text-[14px] text-soft">
        A stand-in for a real one: nothing here reaches a machine. 12 mm tape, eight metres a reel.
      </p>
      <div className="mt-3 rounded-3xl border-2 border-edge bg-stone p-4">
        <p role="status" className={`font-semibold ${trouble ? 'text-clash' : ''}`}>
          {trouble ? TROUBLE[trouble] : jobs.some((j) => j.state === 'printing') ? 'It prints.' : 'It is ready.'}
        </p>
        <p className="text-[14px]">
          {(tape / 1000).toFixed(2)} m of tape left
          <progress className="ml-2 h-3 w-40 align-middle" max={8000} value={tape} aria-label="Tape left" />
        </p>
        <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="What may happen to it">
          <Button onClick={() => act(trouble === 'off' ? 'on' : 'off')}>
            {trouble === 'off' ? 'Switch it on' : 'Switch it off'}
          </Button>
          <Button disabled={trouble === 'off' || trouble === 'jam'} onClick={() => act('jam')}>
            Jam the tape
          </Button>
          <Button disabled={trouble !== 'jam'} onClick={() => act('clear')}>
            Clear the jam
          </Button>
          <Button onClick={() => act('tape')}>Another reel</Button>
        </div>
      </div>
      <h2 className="mt-5 font-display text-lg font-semibold">What comes out</h2>
      {jobs.length === 0 && <p className="text-soft">Nothing was sent to it yet.</p>}
      <ul className="mt-1 space-y-2">
        {[...jobs].reverse().map((job) => (
          <li key={job.id} className="flex flex-wrap items-center gap-3" data-job={job.state}>
            <Strip job={job} />
            <span className="text-[14px] text-soft">
              {STATE[job.state]}, {job.mm} mm
            </span>
          </li>
        ))}
      </ul>
    </main>
  );
}

/** A piece of tape, three points to the millimetre. */
function Strip({ job }: { job: PrinterJob }) {
  const code = job.code === null ? null : qrOf(job.code);
  const faint = job.state === 'waiting' ? 0.35 : 1;
  return (
    <svg
      viewBox={`0 0 ${job.mm} 12`}
      width={job.mm * 3}
      height={36}
      className="max-w-full"
      role="img"
      aria-label={job.lines.join(', ')}
      opacity={faint}
    >
      <rect
        width={job.mm}
        height={12}
        rx={0.6}
        fill={job.state === 'spoilt' ? '#d9d2c3' : '#fff'}
        stroke="#857c69"
        strokeWidth={0.2}
      />
      {code && <path d={qrPath(code)} transform={`translate(2 1) scale(${10 / code.size})`} fill="#000" />}
      {job.lines.map((line, i) => (
        <text
          key={i}
          x={(code ? 14 : 0) + 6}
          y={job.lines.length > 1 ? 4.6 + i * 5 : 6}
          fontSize={job.lines.length > 1 ? 3.4 : 4.2}
          dominantBaseline="central"
          fill="#24323b"
          textDecoration={job.state === 'spoilt' ? 'line-through' : undefined}
        >
          {line}
        </text>
      ))}
    </svg>
  );
}
