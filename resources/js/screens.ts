import type { ComponentType } from 'react'
import { filterQuery } from '@/browse/filterQuery'
import { settings } from './settings'

type Params = Record<string, string>
/** A screen: where it is, its code, and what it reads first, which is asked for before the code is there (early.ts). */
export type Screen = {
  path: string
  load: () => Promise<{ default: ComponentType }>
  reads: (params: Params, address: URLSearchParams) => string[]
}

function screen<Module, Name extends keyof Module>(
  path: string,
  load: () => Promise<Module>,
  name: Name,
  reads: Screen['reads'] = () => [],
): Screen {
  return { path, load: () => load().then((module) => ({ default: module[name] as ComponentType })), reads }
}

const bankReads: Screen['reads'] = ({ slug }, address) => {
  const query = filterQuery(address)
  return [`/banks/${slug}`, `/banks/${slug}/questions${query === '' ? '' : `?${query}`}`, `/banks/${slug}/trees`, '/tray']
}

export const screens: Screen[] = [
  screen('/sign-in', () => import('./features/account/SignIn'), 'SignIn'),
  screen('/forgot', () => import('./features/account/Password'), 'Forgot'),
  screen('/choose-password/:secret', () => import('./features/account/Password'), 'ChoosePassword'),
  screen('/account', () => import('./features/account/Account'), 'Account'),
  screen('/people', () => import('./features/people/People'), 'People'),
  screen('/work', () => import('./features/home/Work'), 'Work'),
  screen(
    '/desk',
    () => import('./features/home/Home'),
    'Home',
    () => ['/desk'],
  ),
  screen(
    '/banks',
    () => import('./features/banks/Banks'),
    'Banks',
    () => ['/banks'],
  ),
  screen('/find', () => import('./features/banks/Catalogue'), 'Catalogue'),
  screen('/banks/:slug', () => import('./features/banks/Bank'), 'Bank', bankReads),
  screen('/banks/:slug/write', () => import('./features/questions/Desk'), 'NewDesk'),
  screen('/banks/:slug/order', () => import('./features/banks/Order'), 'Order'),
  screen('/assessments/:id/compare', () => import('./features/assessments/CompareAssessments'), 'CompareAssessments'),
  screen('/assessments/:id/history', () => import('./features/assessments/History'), 'History'),
  screen('/banks/:slug/carry', () => import('./features/banks/carry/CarryOver'), 'CarryOver'),
  screen('/banks/:slug/compare', () => import('./features/banks/Compare'), 'Compare'),
  screen('/banks/:slug/acts', () => import('./features/banks/BulkActions'), 'Acts'),
  screen('/acts/:id', () => import('./features/banks/BulkActions'), 'ActScreen'),
  screen('/banks/:slug/media', () => import('./features/media/Library'), 'Library'),
  screen('/banks/:slug/rubrics', () => import('./features/rubrics/Rubrics'), 'Rubrics'),
  screen('/banks/:slug/stimuli', () => import('./features/stimuli/Stimuli'), 'Stimuli'),
  screen('/banks/:slug/stimuli/new', () => import('./features/stimuli/StimulusDesk'), 'NewStimulusDesk'),
  screen('/stimuli/:id', () => import('./features/stimuli/StimulusDesk'), 'StimulusDesk'),
  screen(
    '/questions/:id',
    () => import('./features/questions/Desk'),
    'QuestionDesk',
    ({ id }) => [`/questions/${id}`],
  ),
  screen('/assessments', () => import('./features/assessments/list/Assessments'), 'Assessments'),
  screen(
    '/assessments/:id',
    () => import('./features/assessments/Assessment'),
    'Assessment',
    ({ id }) => [`/assessments/${id}`],
  ),
  screen('/blueprints', () => import('./features/assessments/blueprints/Blueprints'), 'Blueprints'),
  screen(
    '/blueprints/:id',
    () => import('./features/assessments/blueprints/Blueprint'),
    'Blueprint',
    ({ id }) => [`/blueprints/${id}`],
  ),
  screen('/assessments/:id/run', () => import('./features/assessments/run/Run'), 'Run'),
  screen('/assessments/:id/print', () => import('./features/assessments/print/Print'), 'Print'),
  screen('/assessments/:id/forms', () => import('./features/assessments/forms/Forms'), 'Forms'),
  screen('/assessments/:id/entries/:entry', () => import('./features/assessments/EntryDesk'), 'EntryDesk'),
  screen('/coverage', () => import('./features/coverage/Coverage'), 'CoverageScreen'),
  screen('/frameworks', () => import('./features/standards/Frameworks'), 'Frameworks'),
  screen('/frameworks/:id', () => import('./features/standards/Framework'), 'Framework'),
  screen('/banks/:slug/tagging', () => import('./features/tagging/Tagging'), 'Tagging'),
  screen('/transfers', () => import('./features/transfers/Transfers'), 'Transfers'),
  screen('/help', () => import('./features/help/Help'), 'Help'),
  screen('/help/formats', () => import('./features/transfers/FormatSupport'), 'FormatSupport'),
  screen('/help/:section', () => import('./features/help/Help'), 'Help'),
  screen('/intakes/new', () => import('./features/transfers/Import'), 'Import'),
  screen('/intakes/:id', () => import('./features/transfers/Intake'), 'Intake'),
  screen('/intakes/:id/questions/:staged', () => import('./features/transfers/StagedDesk'), 'StagedDesk'),
  screen('/dispatches/new', () => import('./features/transfers/NewDispatch'), 'NewDispatch'),
  screen('/dispatches/:id', () => import('./features/transfers/Dispatch'), 'Dispatch'),
  screen('/receipts/:id', () => import('./features/transfers/Receipt'), 'ReceiptScreen'),
  ...(settings.gallery ? [screen('/gallery', () => import('./features/help/Gallery'), 'Gallery')] : []),
]

/** The values in a path, when a screen is there. */
export function paramsOf(screen: Screen, pathname: string): Params | null {
  const [steps, given] = [screen.path.split('/'), pathname.replace(/(.)\/$/, '$1').split('/')]
  if (steps.length !== given.length) return null
  const params: Params = {}
  for (const [i, step] of steps.entries()) {
    const value = given[i] ?? ''
    if (step.startsWith(':') && value !== '') params[step.slice(1)] = value
    else if (step !== value) return null
  }
  return params
}
