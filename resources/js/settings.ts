const meta = document.querySelector<HTMLMetaElement>('meta[name=quarry-settings]')

/** What the server says about this installation. */
export const settings: { demo?: boolean; gallery?: boolean } = meta ? JSON.parse(meta.content) : {}
