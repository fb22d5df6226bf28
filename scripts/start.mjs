import { serve } from './serve.mjs'

serve({})
