export { StructureCapture as default } from './StructureCapture'
