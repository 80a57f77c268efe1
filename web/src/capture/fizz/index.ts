export { FizzCapture as default } from './FizzCapture'
