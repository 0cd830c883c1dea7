// Writes FILE.br beside a file: what a browser on this machine asks for, and a quarter smaller than gzip.
import { readFileSync, writeFileSync } from 'node:fs'
import { brotliCompressSync, constants } from 'node:zlib'

const [file] = process.argv.slice(2)
const bytes = readFileSync(file)
const params = { [constants.BROTLI_PARAM_LGWIN]: 24, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length }
const small = brotliCompressSync(bytes, { params })
writeFileSync(`${file}.br`, small)
console.log(`${Math.round(bytes.length / 1024)} KB, ${Math.round(small.length / 1024)} KB compressed`)
