/** Whether an address is one of those before signing in. */
export const isPublic = (pathname: string): boolean => /^\/(?:sign-in|forgot|choose-password)(?:\/|$)/.test(pathname)
