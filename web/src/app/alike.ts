/** Whether two names are the same to a person who reads them: letters of either size, spaces around them aside. */
export const alike = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()
