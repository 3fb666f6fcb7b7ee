import { queryOptions } from '@tanstack/react-query'
import { call } from './client'

export type Session = { id: string; here: boolean; address: string | null; browser: string; last_used: string }
export type Token = {
  id: number
  name: string
  abilities: string[]
  last_used_at: string | null
  expires_at: string | null
  created_at: string
}
export type Notification = {
  id: string
  kind: string
  text: string
  words: string
  link: string
  read_at: string | null
  created_at: string
}

export const sessionsQuery = queryOptions({
  queryKey: ['me', 'sessions'],
  queryFn: async () => (await call<{ data: Session[] }>('GET', '/me/sessions')).body.data,
})
export const tokensQuery = queryOptions({
  queryKey: ['me', 'tokens'],
  queryFn: async () => (await call<{ data: Token[] }>('GET', '/me/tokens')).body.data,
})
export const notificationsQuery = queryOptions({
  queryKey: ['me', 'notifications'],
  queryFn: async () => (await call<{ data: Notification[]; unread: number }>('GET', '/me/notifications')).body.data,
  staleTime: 0,
})

export const readNotifications = () => call('PUT', '/me/notifications', {})
export const changePassword = (current: string, password: string) => call('PUT', '/me/password', { current, password })
export const endSessions = () => call('DELETE', '/me/sessions')
export const beginSecondFactor = async (password: string) =>
  (await call<{ data: { secret: string; address: string } }>('POST', '/me/second-factor', { password })).body.data
export const confirmSecondFactor = async (code: string) =>
  (await call<{ data: { recovery_codes: string[] } }>('PUT', '/me/second-factor', { code })).body.data.recovery_codes
export const endSecondFactor = (password: string) => call('DELETE', '/me/second-factor', { password })
export const createToken = async (name: string, abilities: string[], days: number, password: string) =>
  (await call<{ data: { token: string } }>('POST', '/me/tokens', { name, abilities, days, password })).body.data.token
export const deleteToken = (id: number) => call('DELETE', `/me/tokens/${id}`)
export const askForPassword = (email: string) => call('POST', '/password-links', { email })
export const choosePassword = (secret: string, password: string) => call('PUT', '/password-links', { secret, password })
