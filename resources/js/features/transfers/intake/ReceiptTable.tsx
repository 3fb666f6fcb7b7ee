import type { ReceiptBody, Severity } from '@/api/intakes'
import { fileSize } from '@/lib/format'
import { texts } from '@/messages'
import { kindNames } from '@/parts/words'

/** What was given against what came of it. */
export function ReceiptTable({ body }: { body: ReceiptBody }) {
  const kinds = [...new Set([...Object.keys(body.source.kinds), ...Object.keys(body.result.kinds)])].sort()
  const named = (kind: string) =>
    kind
      .split('+')
      .map((one) => (one === '' ? texts.intake.noPart : (kindNames[one] ?? one)))
      .join(' and ')
  const row = (title: string, source: string | number, result: string | number, sub = false) => (
    <tr key={title} className="border-hairline border-b">
      <th scope="row" className={`py-1.5 text-left ${sub ? 'pl-5 font-normal text-second' : 'font-semibold'}`}>
        {title}
      </th>
      <td className="text-right tabular-nums">{source}</td>
      <td className="text-right tabular-nums">{result}</td>
    </tr>
  )
  return (
    <>
      <table className="w-full max-w-140">
        <thead>
          <tr className="border-edge border-b text-caption text-quiet">
            <th className="py-1 text-left font-normal">{texts.intake.tally.what}</th>
            <th className="text-right font-normal">{texts.intake.tally.source}</th>
            <th className="text-right font-normal">{texts.intake.tally.result}</th>
          </tr>
        </thead>
        <tbody>
          {row(texts.intake.rows.questions ?? '', body.source.questions, body.result.questions)}
          {kinds.map((kind) => row(named(kind), body.source.kinds[kind] ?? 0, body.result.kinds[kind] ?? 0, true))}
          {(['added', 'replaced', 'skipped'] as const).map((way) =>
            body.result[way] > 0 || way === 'added' ? row(texts.intake.rows[way] ?? '', '', body.result[way], true) : null,
          )}
          {row(texts.intake.rows.points ?? '', body.source.points, body.result.points)}
          {(['stimuli', 'media'] as const).map((thing) =>
            body[thing] > 0 ? row(texts.intake.things[thing] ?? '', body[thing], '') : null,
          )}
          {body.paragraphs && body.paragraphs.all > 0
            ? row(texts.intake.things.paragraphs ?? '', body.paragraphs.all, texts.intake.unusedParagraphs({ n: body.paragraphs.unused }))
            : null}
          {body.groups > 0
            ? row(
                texts.intake.things.groups ?? '',
                body.groups,
                body.result.folders ? texts.intake.foldersMade({ n: body.result.folders }) : '',
              )
            : null}
          {(['assessments', 'draws'] as const).map((thing) =>
            (body[thing] ?? 0) > 0 ? row(texts.intake.things[thing] ?? '', body[thing] ?? 0, body.result[thing] ?? '') : null,
          )}
          {(['problem', 'loss', 'note'] as Severity[]).map((severity) =>
            body.notices[severity] > 0 ? row(texts.intake.notices[severity] ?? '', body.notices[severity], '') : null,
          )}
        </tbody>
      </table>
      <ul className="text-second">
        {body.files.map((file, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: the same file may be given twice
          <li key={i}>
            {file.name}: {texts.banks.count({ n: file.questions })}, {fileSize(file.bytes)}
            {file.problem ? <span className="text-problem"> {file.problem}</span> : null}
          </li>
        ))}
      </ul>
    </>
  )
}
