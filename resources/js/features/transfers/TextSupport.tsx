import { texts } from '@/messages'
import table from '../../../../docs/kept-texts.json'

const words = texts.dispatch
const { of: names, ...said } = words.keptTexts

/** What every format keeps of pictures, recordings, equations and the rest of a text: the table the round-trip tests make. */
export function TextSupport() {
  return (
    <>
      <h2 className="mt-8 mb-1 text-head font-semibold">{said.title}</h2>
      <p className="mb-3 max-w-180 text-second">{said.about}</p>
      <table className="w-full max-w-280 border-separate border-spacing-0">
        <thead>
          <tr className="text-left text-caption text-quiet">
            <td className="border-edge border-b py-2 pr-4" />
            {table.formats.map((format) => (
              <th key={format} className="border-edge border-b py-2 pr-4 font-normal">
                {words.formats[format as keyof typeof words.formats]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.rows.map((row) => (
            <tr key={row.what}>
              <th scope="row" className="border-hairline border-t py-1 pr-4 text-left font-normal">
                {names[row.what as keyof typeof names]}
              </th>
              {row.in.map((kept, i) => (
                <td key={table.formats[i]} className={`border-hairline border-t py-1 pr-4 ${kept ? '' : 'text-attention'}`}>
                  {kept ? said.kept : said.lost}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
