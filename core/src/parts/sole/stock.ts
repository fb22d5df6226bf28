import type { Material } from '../../model/material.ts'
import type { Rule, RuleBook } from '../../trade/rules.ts'

/** What a part of the bottom is cut from: a material of the stores, or what the house rule says. */
export interface Stock {
  name: string
  thickness: number
  byRule: boolean
}

export const stockOf = (material: Material | null, rule: Rule, name: string, book: RuleBook): Stock =>
  material
    ? { name: material.name, thickness: material.thickness, byRule: false }
    : { name, thickness: book.value(rule), byRule: true }
