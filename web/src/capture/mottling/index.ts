export { MottleCapture as default } from './MottleCapture'
