import { PageFrame } from '../page/page-frame';
import { when } from '../page/when';

interface OutboxProps {
  mails: { id: number; at: string; to: string; subject: string; body: string; link: string | null }[];
}

/** The mails that would be sent, each with its link while that works. */
export function Outbox({ mails }: OutboxProps) {
  return (
    <PageFrame title="Outbox" back={{ href: '/', name: 'Projects' }}>
      <p className="max-w-[70ch] border border-now bg-now-tint p-3">
        This page stands in for e-mail: nothing is sent from here. What would be sent is listed, with its link while
        that works. Give a link to whom it is for.
      </p>
      {mails.length === 0 && <p className="text-ink2">Nothing was sent yet.</p>}
      <ul className="flex flex-col">
        {mails.map(({ id, at, to, subject, body, link }) => {
          const [before = '', after = ''] = body.split('[link]');
          return (
            <li key={id} className="grid grid-cols-[250px_minmax(0,1fr)] gap-6 border-t border-hair py-4 last:border-b">
              <span className="flex flex-col">
                <b className="break-words">{to}</b>
                <span className="text-ink2">{when(at)}</span>
              </span>
              <article aria-label={subject} className="flex flex-col gap-2">
                <h2 className="font-bold">{subject}</h2>
                <p className="max-w-[70ch] whitespace-pre-line">
                  {before}
                  {link === null ? (
                    <span className="text-ink2">(the link was used, or works no more)</span>
                  ) : (
                    <a href={link} className="break-all text-now underline">
                      {link}
                    </a>
                  )}
                  {after}
                </p>
              </article>
            </li>
          );
        })}
      </ul>
    </PageFrame>
  );
}
