import { serve } from './serve.mjs'

serve({ GENTLE_AWL_DEMO: '1' })
