import './style/student.css'
import { createApp } from 'vue'
import { warmUp } from './page/engraver'
import Student from './screens/Student.vue'

warmUp()
createApp(Student).mount('#app')
