import type {
  CalculatorEntry,
  ChangeView,
  ComparisonView,
  FieldFaceView,
  FieldStrip,
  Grower,
  LimitsView,
  PlanView,
  Product,
  SessionView,
  SheetView,
  TestSet,
  VisitView,
} from '../api/schema'
import calculatorsJson from './demo/calculators.json'
import changeJson from './demo/change.json'
import compareJson from './demo/compare.json'
import faceJson from './demo/face.json'
import fieldsJson from './demo/fields.json'
import growersJson from './demo/growers.json'
import limitsJson from './demo/limits.json'
import planJson from './demo/plan.json'
import planDoneJson from './demo/planDone.json'
import productsJson from './demo/products.json'
import sessionJson from './demo/session.json'
import sheetJson from './demo/sheet.json'
import testSetsJson from './demo/testSets.json'
import visitJson from './demo/visit.json'

// Answers of the server on its demo data, held to the API's own types, so what is renamed there is noticed; those with
// maps by name can't be, since the compiler takes each name for a part of its own.
export const session = sessionJson as SessionView
export const fields: FieldStrip[] = fieldsJson
export const growers: Grower[] = growersJson
export const face: FieldFaceView = faceJson
export const limits: LimitsView = limitsJson
export const plan = planJson as unknown as PlanView
export const planDone = planDoneJson as unknown as PlanView
export const change: ChangeView = changeJson
export const compare: ComparisonView = compareJson
export const sheet = sheetJson as unknown as SheetView
export const visit: VisitView = visitJson
export const testSets: TestSet[] = testSetsJson
export const products: Product[] = productsJson
export const calculators = calculatorsJson as unknown as CalculatorEntry[]
