export { RingCapture as default } from './RingCapture'
