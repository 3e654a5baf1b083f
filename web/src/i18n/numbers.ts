import { writtenAs } from './language'

const MOST_PLACES = 6

/** A number as people write it, in the language of the page; `places` fixes the decimals, without it there are as many as there are. */
export function numberShown(value: number, places?: number): string {
  const own = { minimumFractionDigits: places ?? 0, maximumFractionDigits: places ?? MOST_PLACES, useGrouping: false }
  return new Intl.NumberFormat(writtenAs(), own).format(value).replace(/^-/, '−')
}

/** What somebody typed as a number, with a comma or a point and either minus; undefined where it is none. */
export function numberRead(text: string): number | undefined {
  const plain = text.trim().replace(/^−/, '-').replace(',', '.')
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : undefined
}
