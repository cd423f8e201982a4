/** Where a plain drape of a colour is drawn, for what has no photo of its cloth. */
export const drapedCloth = (hex: string): string => `/api/drape-cloth/${hex.slice(1).toLowerCase()}.jpg`
