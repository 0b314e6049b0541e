import 'element-plus/dist/index.css'
import './style/main.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import App from './App.vue'
import { catchUncaught } from './components/uncaught'
import { warmUp } from './page/engraver'
import { useSession } from './stores/session'

const router = createRouter({
    history: createWebHistory(),
    routes: [
        { path: '/sign-in', component: () => import('./screens/SignIn.vue'), meta: { open: true } },
        { path: '/forgotten', component: () => import('./screens/Forgotten.vue'), meta: { open: true } },
        { path: '/first-start', component: () => import('./screens/FirstStart.vue'), meta: { open: true } },
        { path: '/join/:token', component: () => import('./screens/Join.vue'), meta: { open: true } },
        { path: '/new-password/:token', component: () => import('./screens/NewPassword.vue'), meta: { open: true } },
        { path: '/account', component: () => import('./screens/Account.vue'), meta: { words: true } },
        { path: '/ensembles/:id(\\d+)/profile', component: () => import('./screens/Profile.vue'), meta: { words: true } },
        { path: '/ensembles/:id(\\d+)/dates', component: () => import('./screens/Dates.vue'), meta: { words: true } },
        { path: '/schools/:id(\\d+)', component: () => import('./screens/School.vue'), meta: { words: true } },
        { path: '/pieces/:id(\\d+)', component: () => import('./screens/Piece.vue') },
        { path: '/ensembles/:id(\\d+)/scales', component: () => import('./screens/Scales.vue') },
        { path: '/pieces/:id(\\d+)/lesson', component: () => import('./screens/Lesson.vue') },
        { path: '/pieces/:id(\\d+)/line-up', component: () => import('./screens/LineUp.vue') },
        { path: '/pieces/:id(\\d+)/correction', component: () => import('./screens/Correction.vue') },
        { path: '/parts/:id(\\d+)/editions', component: () => import('./screens/Editions.vue') },
        { path: '/parts/:id(\\d+)/history', component: () => import('./screens/History.vue') },
        { path: '/parts/:id(\\d+)/derive', component: () => import('./screens/Derive.vue') },
        { path: '/ensembles/:id(\\d+)/people', component: () => import('./screens/People.vue'), meta: { words: true } },
        { path: '/', component: () => import('./screens/Shelf.vue') },
        { path: '/import', component: () => import('./screens/Import.vue') },
        { path: '/by-hand', component: () => import('./screens/ByHand.vue') },
        { path: '/by-hand/:key([0-9a-f-]{36})', component: () => import('./screens/Typing.vue') },
        { path: '/parts/:part(\\d+)/notes', component: () => import('./screens/Typing.vue') },
        { path: '/pieces/:id(\\d+)/rehearse', component: () => import('./screens/Rehearse.vue'), meta: { words: true } },
        { path: '/occasions/:id(\\d+)/packet', component: () => import('./screens/Packet.vue') },
        { path: '/occasions/:id(\\d+)/plan', component: () => import('./screens/Plan.vue'), meta: { words: true } },
        { path: '/parts/:part(\\d+)/handouts/:id(\\d+)', component: () => import('./screens/Handout.vue') },
        { path: '/parts/:id(\\d+)/practice', component: () => import('./screens/Practice.vue') },
        { path: '/parts/:id(\\d+)/slip', component: () => import('./screens/Slip.vue') },
        { path: '/pieces/:id(\\d+)/call-out', component: () => import('./screens/CallOut.vue') },
        { path: '/parts/:id(\\d+)', component: () => import('./screens/Desk.vue') },
        { path: '/:rest(.*)*', redirect: '/' },
    ],
})

// The engraver is large: it is on its way before music is there, and is not fetched where there is none.
router.afterEach((to) => {
    if (to.meta.open !== true && to.meta.words !== true) {
        void warmUp()
    }
})

const app = createApp(App).use(createPinia()).use(router)

router.beforeEach(async (to) => {
    const session = useSession()
    if (!session.known) {
        await session.load().catch(() => undefined)
    }
    if (session.empty !== (to.path === '/first-start') && session.known && (session.empty || to.path === '/first-start')) {
        return session.empty ? '/first-start' : '/'
    }
    if (!to.meta.open && session.known && session.name === null) {
        return { path: '/sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } }
    }
    return true
})

// After an update the pieces of the old page are gone: the page is fetched anew. What waits to be saved is kept.
window.addEventListener('vite:preloadError', () => location.reload())

catchUncaught(app)
app.mount('#app')
