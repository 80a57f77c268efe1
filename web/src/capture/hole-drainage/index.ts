export { HoleCapture as default } from './HoleCapture'
