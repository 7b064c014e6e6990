import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { act, getTemplates, type Template } from '../../state/household.ts';
import { Button } from '../../ui/button.tsx';
import { useAtWork } from './at-work.ts';
import { Trouble } from './say.tsx';

/** Plans somebody on this server has put out to begin from. */
export function Templates() {
  const [templates, setTemplates] = useState<Template[]>([]);
  const { busy, trouble, run } = useAtWork();
  const navigate = useNavigate();
  useEffect(() => void getTemplates().then(setTemplates, () => undefined), []);
  if (templates.length === 0) return null;
  const begin = (t: Template) =>
    void run(async () => {
      const { id } = await act<{ id: string }>(`templates/${t.id}/begin`);
      await navigate(`/p/${id}/room`);
    });
  return (
    <section aria-labelledby="templates">
      <h2 id="templates" className="mt-8 font-display text-xl">
        Begin from what others have put out
      </h2>
      <ul className="mt-1 divide-y divide-line">
        {templates.map((t) => (
          <li key={t.id} className="flex flex-wrap items-center gap-x-3 py-2">
            <span className="grow">
              <b>{t.name}</b> <span className="text-soft">from {t.fromName}</span>
              {t.words && <span className="block text-soft">{t.words}</span>}
            </span>
            <Button disabled={busy} aria-label={`Begin from ${t.name}`} onClick={() => begin(t)}>
              Begin from it
            </Button>
          </li>
        ))}
      </ul>
      <Trouble words={trouble} />
    </section>
  );
}
