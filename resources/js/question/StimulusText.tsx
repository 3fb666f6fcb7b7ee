import type { TreeNode } from '@/api/question'
import { RichTree } from '@/ui/RichTree'

type Props = {
  nodes: TreeNode[]
  title: string
  language: string
  /** The address its pictures are below. */
  media: string
}

/** A stimulus as learners see it. */
export function StimulusText({ nodes, title, language, media }: Props) {
  return (
    <div className="question-text rounded-ui bg-well p-4" lang={language} dir="auto">
      {title ? <p className="!mb-2 font-semibold">{title}</p> : null}
      <RichTree nodes={nodes} media={(id) => `${media}/${id}`} />
    </div>
  )
}
