import { once } from 'node:events'
import { connect, createServer, type AddressInfo, type Socket } from 'node:net'

/** A wire to a database on which nothing may come through for a while, as if the machine at its other end stood still. */
export async function openWire(databaseUrl: string) {
  const url = new URL(databaseUrl)
  const { port, hostname } = url
  const sockets = new Set<Socket>()
  let isFrozen = false
  const hold = (socket: Socket) => {
    sockets.add(socket)
    socket.on('error', () => socket.destroy())
    socket.on('close', () => sockets.delete(socket))
  }
  const server = createServer((near) => {
    const far = connect(Number(port), hostname)
    hold(near)
    hold(far)
    near.pipe(far).on('close', () => near.destroy())
    far.pipe(near).on('close', () => far.destroy())
    if (isFrozen) for (const socket of [near, far]) socket.pause()
  })
  server.listen(0, '127.0.0.1')
  await once(server, 'listening')
  url.hostname = '127.0.0.1'
  url.port = String((server.address() as AddressInfo).port)
  return {
    url: url.href,
    freeze() {
      isFrozen = true
      for (const socket of sockets) socket.pause()
    },
    thaw() {
      isFrozen = false
      for (const socket of sockets) socket.resume()
    },
    close() {
      for (const socket of sockets) socket.destroy()
      server.close()
    },
  }
}
