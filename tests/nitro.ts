/// <reference types="vite/client" />
import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'

// What stands in for Nitro where the server's routes are tried without it.

/** The server's settings; a test changes them. */
export const settings = {
  session: { password: 'a password of a test, which seals nothing', maxAge: 3600, cookie: { secure: false } },
  defaultHouseholdId: '',
  allowedHosts: '',
  openToHouseholds: '',
  copiesFolder: '',
  behindProxy: '',
}
export const useRuntimeConfig = () => settings

export const defineNitroPlugin = <Plugin>(plugin: Plugin) => plugin

// As nuxt-auth-utils does it.
const hash = new Hash(new Scrypt({}))
export const hashPassword = (password: string) => hash.make(password)
export const verifyPassword = (hashed: string, password: string) => hash.verify(hashed, password)

/** Pages of each shape, as Nuxt names their paths. */
export const pagePaths = ['/', '/dishes', '/dishes/:id()/cook', '/pot/:id?']

/** Every route there is, by its file. */
export const files = import.meta.glob<{ default: import('h3').EventHandler }>([
  '../server/api/**/*.ts',
  '!**/*.test.ts',
])
const METHODS = /\.(get|post|put|patch|delete)$/
export const routes = Object.keys(files).flatMap((file) => {
  const path = file.replace('../server', '').replace(/\.ts$/, '')
  const [, method] = METHODS.exec(path) ?? []
  if (!method) return []
  const route = path
    .replace(METHODS, '')
    .replace(/\/index$/, '')
    .replace(/\[(\w+)\]/g, ':$1')
  return [{ file, method, route }]
})
