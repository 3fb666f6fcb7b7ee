import type { LearnerProps } from '../definePart'
import { Grid } from './Grid'
import { Lines } from './Lines'
import { Menus } from './Menus'

/** What belongs together, by lines, by drop-downs or in a table to tick. */
export function Learner(props: LearnerProps) {
  const { by } = props.part.settings
  return by === 'grid' ? <Grid {...props} /> : by === 'menus' ? <Menus {...props} /> : <Lines {...props} />
}
