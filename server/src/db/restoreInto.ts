import { ownFolder } from './dataFolder.ts'
import { lockFolder } from './folderLock.ts'
import { newestMigration } from './migrations.ts'
import { putBack, type PutBack } from './putBack.ts'

/** Puts a copy back into a folder that no server works in. Throws StartProblem when one does, or the copy is no good. */
export async function restoreInto(folder: string, copy: string, migrations: string): Promise<PutBack> {
  ownFolder(folder)
  const unlock = await lockFolder(folder)
  try {
    return await putBack(folder, copy, newestMigration(migrations))
  } finally {
    await unlock()
  }
}
