import fs from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { NodeFS } from '@electric-sql/pglite/nodefs'

/** Brings one open file to the disk. A test puts its own in its place, to see what has been synced and what has not. */
export type Fsync = (fileDescriptor: number) => void

/** PGlite's file system has no fsync of its own: this one reaches the disk. */
class FsyncNodeFS extends NodeFS {
  constructor(
    dir: string,
    readonly fsync: Fsync,
  ) {
    super(dir)
  }

  override async init(...args: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const started = await super.init(...args)
    started.emscriptenOpts.preRun?.push((module) => {
      const streams = (module as unknown as { NODEFS: { stream_ops: Record<string, unknown> } }).NODEFS.stream_ops
      streams.fsync = (stream: { nfd: number }) => {
        this.fsync(stream.nfd)
        return 0
      }
    })
    return started
  }
}

/** Opens a database folder with real syncing: without `-F`, which PGlite starts with otherwise. */
export const openPglite = (dir: string, fsync: Fsync = fs.fsyncSync): Promise<PGlite> =>
  PGlite.create({
    fs: new FsyncNodeFS(dir, fsync),
    startParams: [
      ...PGlite.defaultStartParams.filter((param) => param !== '-F'),
      ...['-c', 'fsync=on', '-c', 'wal_sync_method=fsync'],
      // The room holds everything in memory already.
      ...['-c', 'shared_buffers=16MB'],
    ],
  })
