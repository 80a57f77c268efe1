export { LifeCapture as default } from './LifeCapture'
