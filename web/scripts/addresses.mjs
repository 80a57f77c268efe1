// The lock file with the address of each package at the registry that npm is set to: without it npm would fetch what is
// known of all versions of each package, to look its address up. The file that is kept names none.
import { readFileSync, writeFileSync } from 'node:fs'

const [registry, to] = process.argv.slice(2)
const lock = JSON.parse(readFileSync(new URL('../package-lock.json', import.meta.url), 'utf8'))
for (const [place, each] of Object.entries(lock.packages)) {
  if (place === '' || each.link || each.resolved || !each.integrity) continue
  const name = each.name ?? place.slice(place.lastIndexOf('node_modules/') + 'node_modules/'.length)
  const file = `${name.slice(name.indexOf('/') + 1)}-${each.version}.tgz`
  each.resolved = `${registry.replace(/\/$/, '')}/${name}/-/${file}`
}
writeFileSync(to, JSON.stringify(lock))
