import './style/base.css'
import './style/student-page.css'
import './style/student.css'
import { createApp } from 'vue'
import Student from './screens/Student.vue'

createApp(Student).mount('#app')
