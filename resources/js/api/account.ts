import { queryOptions } from '@tanstack/react-query'
import { call } from './client'
import type * as schema from './schema'

export type Session = schema.Session
export type Token = schema.ApiToken
export type Notification = schema.Notification

export const sessionsQuery = queryOptions({
  queryKey: ['me', 'sessions'],
  queryFn: async () => (await call<schema.Answers['GET /me/sessions']>('GET', '/me/sessions')).body.data,
})
export const tokensQuery = queryOptions({
  queryKey: ['me', 'tokens'],
  queryFn: async () => (await call<schema.Answers['GET /me/tokens']>('GET', '/me/tokens')).body.data,
})
export const notificationsQuery = queryOptions({
  queryKey: ['me', 'notifications'],
  queryFn: async () => (await call<schema.Answers['GET /me/notifications']>('GET', '/me/notifications')).body.data,
  staleTime: 0,
})

export const setDetails = (details: string[]) => call('PUT', '/me/details', { details })
export const readNotifications = () => call('PUT', '/me/notifications', {})
export const changePassword = (current: string, password: string) => call('PUT', '/me/password', { current, password })
export const endSessions = () => call('DELETE', '/me/sessions')
export const beginSecondFactor = async (password: string) =>
  (await call<schema.Answers['POST /me/second-factor']>('POST', '/me/second-factor', { password })).body.data
export const confirmSecondFactor = async (code: string) =>
  (await call<schema.Answers['PUT /me/second-factor']>('PUT', '/me/second-factor', { code })).body.data.recovery_codes
export const endSecondFactor = (password: string) => call('DELETE', '/me/second-factor', { password })
export const createToken = async (name: string, abilities: string[], days: number, password: string) =>
  (await call<schema.Answers['POST /me/tokens']>('POST', '/me/tokens', { name, abilities, days, password })).body.data.token
export const deleteToken = (id: number) => call('DELETE', `/me/tokens/${id}`)
export const askForPassword = (email: string) => call('POST', '/password-links', { email })
export const choosePassword = (secret: string, password: string) => call('PUT', '/password-links', { secret, password })
