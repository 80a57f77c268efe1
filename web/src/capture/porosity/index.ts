export { ScaleCapture as default } from '../by-sight/ScaleCapture'
