import type { Finding } from '@/api/question'
import { texts } from '@/messages'
import { Button } from '@/ui/Button'

/** What is found in the question, what blocks first. */
export function Checks({ findings, bare, onFinish }: { findings: Finding[]; bare?: boolean; onFinish?: () => void }) {
  const groups = [
    [texts.desk.blocking, findings.filter((one) => one.severity === 'blocking'), 'text-attention'] as const,
    [texts.desk.warnings, findings.filter((one) => one.severity !== 'blocking'), ''] as const,
  ]
  if (findings.length === 0) return <p className="p-5 text-quiet">{texts.desk.noChecks}</p>
  return (
    <div className={`flex flex-col gap-4 ${bare ? '' : 'p-5'}`}>
      {groups.map(([title, list, tone]) =>
        list.length > 0 ? (
          <section key={title} aria-label={title}>
            <h3 className={`font-semibold ${tone}`}>{title}</h3>
            <ul className="list-disc pl-5">
              {list.map((finding) => (
                <li key={`${finding.code} ${finding.path} ${finding.message}`}>
                  {finding.message}
                  {finding.code === 'origin.untranslated' && onFinish ? (
                    <Button className="ml-2 !min-h-7" onClick={onFinish}>
                      {texts.desk.finishedByHand}
                    </Button>
                  ) : null}
                </li>
              ))}
            </ul>
          </section>
        ) : null,
      )}
    </div>
  )
}
