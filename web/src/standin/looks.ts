import type { Look } from '../../../browser/src/main/resources/static/game/link'

/** How everything looks: silhouettes in a box of 100 by 100, y down, whose place is the middle of its lower edge. */

const blade = (degrees: number, long: number) => {
  const at = (along: number, across: number) => {
    const t = (degrees * Math.PI) / 180
    // The box is half as wide as it is high.
    const x = 50 + 2 * (along * Math.cos(t) - across * Math.sin(t))
    const y = 20 + along * Math.sin(t) + across * Math.cos(t)
    return `${x.toFixed(1)} ${y.toFixed(1)}`
  }
  return `M${at(0, -0.7)}L${at(long * 0.2, -0.7)}L${at(long * 0.2, -3.4)}L${at(long, -3.4)}L${at(long, 0.7)}L${at(0, 0.7)}Z`
}
export const SAILS = [20, 110, 200, 290].map((degrees) => blade(degrees, 24)).join('')
export const TOWER = 'M26 100L38 22Q50 8 62 22L74 100Z'

export const LOOKS: Record<'courier' | 'crow' | 'parcel' | 'mill', Look & { path: string }> = {
  courier: {
    name: 'courier',
    path:
      'M1 27Q50 -13 99 27Q88 22 76 26Q62 19 50 25Q38 19 24 26Q12 22 1 27Z' +
      'M4 26L46 63L47.5 62L6 26ZM96 26L54 63L52.5 62L94 26ZM49.5 24H50.5V51H49.5Z' +
      'M50 50a5 5 0 1 0 .1 0ZM45 60Q50 57 55 60L58 79L70 88L67 92L53 84L50 99H46L46 84L37 98L33 95L43 78Z',
    width: 2.3,
    height: 2.3,
  },
  crow: {
    name: 'crow',
    path: 'M0 30Q26 0 45 46L52 40Q70 0 100 22Q76 22 62 58L72 62L60 70L40 100L36 72L43 56Q26 22 0 30Z',
    width: 1,
    height: 0.55,
  },
  parcel: {
    name: 'parcel',
    path: 'M14 40H86V100H14ZM47 12H53V40H47ZM50 14Q30 -8 22 8Q26 22 50 14ZM50 14Q70 -8 78 8Q74 22 50 14Z',
    width: 0.62,
    height: 0.72,
  },
  mill: { name: 'mill', path: TOWER + SAILS, width: 2.65, height: 5.3 },
}
