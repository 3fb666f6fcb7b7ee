import { createHmac } from 'node:crypto'
import { accessible, signIn } from './helpers'
import { expect, type Page, test } from './test'

/** A code of RFC 6238 for a key in base 32, as an authenticator app shows it. @param later steps of 30 seconds from now */
function code(key: string, later = 0): string {
  const bits = [...key.replace(/\s/g, '')]
    .map((sign) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(sign).toString(2).padStart(5, '0'))
    .join('')
  const secret = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => Number.parseInt(byte, 2)))
  const step = Buffer.alloc(8)
  step.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000) + later))
  const mac = createHmac('sha1', secret).update(step).digest()
  const at = (mac.at(-1) ?? 0) & 0xf
  return String((mac.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, '0')
}

/** The link to choose a password in a mail of the demo's outbox. */
async function link(page: Page, email: string, words: string): Promise<string> {
  const mail = page.locator('article').filter({ hasText: email }).filter({ hasText: words }).first()
  // a worker sends it
  await expect(async () => {
    await page.goto('/stand-ins/outbox')
    await expect(mail).toBeVisible({ timeout: 1000 })
  }).toPass({ timeout: 60_000 })
  return (await mail.getByRole('link').getAttribute('href')) ?? ''
}

const email = 'ada@fellmoor.example'
const password = 'four plain garden words'

test('a new colleague, from the invitation to the end of the account', async ({ page, browser, baseURL }) => {
  await signIn(page, 'orla')
  await page.goto('/people')
  await expect(page.getByRole('row', { name: /Inés Varga/ })).toBeVisible()
  await accessible(page)
  await page.getByRole('button', { name: 'Invite somebody' }).click()
  await page.getByLabel('Name').fill('Ada Quill')
  await page.getByLabel('Mail address').fill('tam@fellmoor.example')
  await page.getByRole('button', { name: 'Send invitation' }).click()
  await expect(page.getByText('There is already an account with this address.')).toBeVisible()
  await page.getByLabel('Mail address').fill(email)
  await page.getByLabel('A message to them').fill('Welcome to the department')
  await accessible(page)
  await page.getByRole('button', { name: 'Send invitation' }).click()
  await expect(page.getByRole('row', { name: /Ada Quill.*invited/ })).toBeVisible()

  const ada = await (await browser.newContext({ ...(baseURL ? { baseURL } : {}) })).newPage()
  await ada.goto(new URL(await link(page, email, 'invites you')).pathname)
  await ada.getByLabel('New password').fill('password1234')
  await ada.getByRole('button', { name: 'Set password' }).click()
  await expect(ada.getByText('This is one of the passwords that are tried first.')).toBeVisible()
  await accessible(ada)
  await ada.getByLabel('New password').fill(password)
  await ada.getByRole('button', { name: 'Set password' }).click()
  await expect(ada.getByText('Your password is set.')).toBeVisible()
  await ada.getByRole('link', { name: 'Back to sign in' }).click()
  await ada.getByLabel('Email address').fill(email)
  await ada.getByLabel('Password').fill(password)
  await ada.getByRole('button', { name: 'Sign in', exact: true }).click()
  await expect(ada.getByRole('heading', { name: 'Desk' }).or(ada.getByText('Ada Quill')).first()).toBeVisible()

  await test.step('a bank is shared with her, and she is told', async () => {
    await page.goto('/banks/rocks')
    await page.getByRole('button', { name: 'Share', exact: true }).click()
    await page.getByLabel('Add a person or team').selectOption({ label: 'Ada Quill' })
    await page.getByLabel('Message to the people affected').fill('For unit 3')
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByText('Sharing updated.').first()).toBeVisible()
    await ada.goto('/account')
    await expect(ada.getByRole('link', { name: /Orla Penhale shared the bank/ })).toBeVisible()
    await expect(ada.getByText('“For unit 3”')).toBeVisible()
    await accessible(ada)
    await ada.getByRole('link', { name: /Orla Penhale shared the bank/ }).click()
    await expect(ada.getByRole('heading', { name: /Rocks/ })).toBeVisible()
  })

  await test.step('a second factor, then signing in with it', async () => {
    await ada.goto('/account')
    await ada.getByRole('button', { name: 'Turn on' }).click()
    const dialog = ada.getByRole('dialog')
    await dialog.getByLabel('Current password').fill(password)
    await dialog.getByRole('button', { name: 'Continue' }).click()
    const key = (await dialog.locator('code').textContent()) ?? ''
    await accessible(ada)
    await dialog.getByLabel('Code that the app shows').fill(code(key, -1))
    await dialog.getByRole('button', { name: 'Turn on' }).click()
    await expect(dialog.getByRole('listitem')).toHaveCount(10)
    const recovery = (await dialog.getByRole('listitem').first().textContent()) ?? ''
    await dialog.getByRole('button', { name: 'I have kept them' }).click()
    await expect(ada.getByRole('button', { name: 'Turn off' })).toBeVisible()
    await ada.getByRole('button', { name: /Signed in as/ }).click()
    await ada.getByRole('menuitem', { name: 'Sign out' }).click()
    for (const [given, isRight] of [
      ['000000', false],
      [recovery, true],
    ] as const) {
      await ada.goto('/sign-in')
      await ada.getByLabel('Email address').fill(email)
      await ada.getByLabel('Password').fill(password)
      await ada.getByRole('button', { name: 'Sign in', exact: true }).click()
      await ada.getByLabel('Code of your authenticator app').fill(given)
      await ada.getByRole('button', { name: 'Sign in', exact: true }).click()
      await expect(isRight ? ada.getByRole('button', { name: /Signed in as/ }) : ada.getByRole('alert')).toBeVisible()
    }
  })

  await test.step('a token for a program', async () => {
    await ada.goto('/account')
    await ada.getByRole('button', { name: 'New token' }).click()
    const dialog = ada.getByRole('dialog')
    await dialog.getByLabel('What is it for?').fill('Timetable')
    await dialog.getByLabel('Current password').fill(password)
    await dialog.getByRole('button', { name: 'Create token' }).click()
    const token = (await dialog.locator('code').textContent()) ?? ''
    const answer = await (await browser.newContext()).request.get(`${baseURL}/api/v1/me`, { headers: { Authorization: `Bearer ${token}` } })
    expect((await answer.json()).data.name).toBe('Ada Quill')
    await dialog.getByRole('button', { name: 'Close' }).first().click()
    await ada.getByRole('button', { name: 'Delete Timetable' }).click()
    await expect(ada.getByText('You have no tokens.')).toBeVisible()
  })

  await test.step('into a team, out of the school', async () => {
    await page.goto('/people?tab=teams')
    await page.getByRole('button', { name: /^Year 9/ }).click()
    await page.getByRole('dialog').getByLabel('Ada Quill').check()
    await accessible(page)
    await page.getByRole('button', { name: 'Save', exact: true }).click()
    await expect(page.getByRole('button', { name: /^Year 9.*Ada Quill/ })).toBeVisible()
    await page.getByRole('tab', { name: 'People' }).click()
    await page.getByRole('button', { name: 'Actions for Ada Quill' }).click()
    await page.getByRole('menuitem', { name: 'Disable account' }).click()
    await expect(page.getByRole('row', { name: /Ada Quill.*disabled/ })).toBeVisible()
    await ada.reload()
    await expect(ada.getByLabel('Email address')).toBeVisible()
    await page.getByRole('tab', { name: 'Security log' }).click()
    await expect(page.getByRole('row', { name: /Account disabled ada@fellmoor.example.*orla@fellmoor.example/ })).toBeVisible()
    await accessible(page)
  })
})

test('a forgotten password', async ({ page }) => {
  const kit = 'kit@fellmoor.example'
  await signIn(page, 'orla')
  await page.goto('/people')
  await page.getByRole('button', { name: 'Invite somebody' }).click()
  await page.getByLabel('Name').fill('Kit Moor')
  await page.getByLabel('Mail address').fill(kit)
  await page.getByRole('button', { name: 'Send invitation' }).click()
  await expect(page.getByRole('row', { name: /Kit Moor.*invited/ })).toBeVisible()
  await page.getByRole('button', { name: /Signed in as/ }).click()
  await page.getByRole('menuitem', { name: 'Sign out' }).click()
  await page.getByRole('link', { name: 'Forgot your password?' }).click()
  await page.getByLabel('Email address').fill(kit)
  await accessible(page)
  await page.getByRole('button', { name: 'Send the link' }).click()
  await expect(page.getByText('a mail is on its way')).toBeVisible()
  await page.goto(new URL(await link(page, kit, 'asked for a new password')).pathname)
  await page.getByLabel('New password').fill(password)
  await page.getByRole('button', { name: 'Set password' }).click()
  await expect(page.getByText('Your password is set.')).toBeVisible()
  await page.reload()
  await page.getByLabel('New password').fill(password)
  await page.getByRole('button', { name: 'Set password' }).click()
  await expect(page.getByText('This link was used before, or is too old.')).toBeVisible()
})
