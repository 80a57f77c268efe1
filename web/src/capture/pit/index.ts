export { PitCapture as default } from './PitCapture'
