export { JarCapture as default } from './JarCapture'
